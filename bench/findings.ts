import { homeBeforeDusk, manyLevels } from '@stadion/core/exchange/demo';
import { FindingBook } from '@stadion/core/authoring/findings';
import { documentOf, projectOf, type Project, type ProjectDocument } from '@stadion/core/document/model';
import { applyPatch, type PatchOperation } from '@stadion/core/basics/patch';

/** The first are of code that is not compiled yet: a worker that looks after every edit has that behind it. */
const WARMING = 15;
const ROUNDS = 15;

const EDITS: readonly [what: string, patch: (round: number) => PatchOperation[]][] = [
  ['one level', (round) => [{ op: 'replace', path: '/levels/two-ponds/brief', value: `Brief ${round}` }]],
  ['one kind', (round) => [{ op: 'replace', path: '/kinds/enemies/wasp/radius', value: 0.3 + round / 100 }]],
  [
    'one parameter',
    (round) => [{ op: 'replace', path: '/parameters/hornetSight/ramp/shape/value', value: 5 + round / 10 }],
  ],
  ['the order', (round) => [{ op: 'replace', path: '/slots/slot-2/order', value: 5.5 + round / 100 }]],
];

function timed(work: () => void): number {
  const start = performance.now();
  work();
  return performance.now() - start;
}

const middle = (values: number[]): number => values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)]!;

/** Everything found at the first look, and what an edit costs then. */
export function speedOfFindings(say: (what: string, value: string, bar?: string) => void): void {
  const sizes: [number, Project][] = [
    [24, homeBeforeDusk()],
    [500, manyLevels(500, 60)],
  ];
  for (const [levels, project] of sizes) {
    let document: ProjectDocument = documentOf(project);
    const book = new FindingBook();
    say(`findings, ${levels} levels: first look, ms`, timed(() => void book.of(projectOf(document))).toFixed(0));
    for (const [what, patch] of EDITS) {
      const times = Array.from({ length: WARMING + ROUNDS }, (_, round) => {
        document = applyPatch(document, patch(round));
        const edited = projectOf(document);
        const readOff = timed(() => book.begin(edited));
        const played = timed(() => {
          while (book.goOn());
        });
        return { readOff, played };
      }).slice(WARMING);
      const readOff = middle(times.map((time) => time.readOff)).toFixed(1);
      const played = middle(times.map((time) => time.played)).toFixed(1);
      say(
        `  after an edit of ${what}, ms: all but what is played`,
        readOff,
        what === 'one level' ? 'bar 16' : 'bar 100',
      );
      say('    what is played at slots, the open one first, ms', played);
    }
  }
}
