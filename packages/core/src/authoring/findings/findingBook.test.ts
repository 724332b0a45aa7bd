import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '../../exchange/demo/index.ts';
import { documentOf, projectOf, type Project, type ProjectDocument } from '../../document/model/index.ts';
import { applyPatch, type PatchOperation } from '../../basics/patch/index.ts';
import { isThorough } from '../../testing/index.ts';
import { FindingBook, findingsOf, type Check, type Scope } from './index.ts';

const CLASS = { code: 'counted', title: 'Counted', group: 'rules', severity: 'doubtful', source: 'document' } as const;

/** A check of every scope that only counts how often it runs, by what it looks at. */
function counting() {
  const runs: string[] = [];
  const check = <S extends Scope>(scope: S, name: (facts: never) => string): Check => ({
    ...CLASS,
    scope,
    find: (facts) => {
      runs.push(`${scope} ${name(facts as never)}`);
      return [];
    },
  });
  const checks = [
    check('slot', ({ slot }: { slot: { id: string } }) => slot.id),
    check('level', ({ level }: { level: { id: string } }) => level.id),
    check('parameter', ({ parameter }: { parameter: { key: string } }) => parameter.key),
    check('kind', ({ of, kind }: { of: string; kind: { id: string } }) => `${of} ${kind.id}`),
    check('run', () => ''),
    check('project', () => ''),
  ];
  const book = new FindingBook(checks);
  return (project: Project): string[] => {
    runs.length = 0;
    book.of(project);
    return runs.map((run) => run.trim());
  };
}

const edit = (document: ProjectDocument, ...patch: PatchOperation[]): Project => projectOf(applyPatch(document, patch));

describe('a book of findings', () => {
  const document = documentOf(homeBeforeDusk());
  const demo = projectOf(document);

  it('runs every check once over what its scope has', () => {
    const runs = counting()(demo);
    const of = (scope: Scope): number => runs.filter((run) => run.startsWith(scope)).length;
    expect([of('slot'), of('level'), of('parameter'), of('run'), of('project')]).toEqual([
      demo.slots.length,
      Object.keys(demo.levels).length,
      demo.parameters.length,
      1,
      1,
    ]);
  });

  it('runs nothing again while nothing has changed', () => {
    const playthroughsOf = counting();
    playthroughsOf(demo);
    expect(playthroughsOf({ ...demo })).toEqual(['project']);
  });

  it('runs again what one level concerns', () => {
    const playthroughsOf = counting();
    playthroughsOf(demo);
    const changed = edit(document, { op: 'replace', path: '/levels/two-ponds/tie', value: 'loss' });
    const runs = playthroughsOf(changed);
    expect(runs.filter((run) => run.startsWith('slot'))).toEqual(['slot slot-4']);
    expect(runs.filter((run) => run.startsWith('level'))).toEqual(['level two-ponds']);
    expect(runs.filter((run) => run.startsWith('parameter'))).toEqual([]);
  });

  it('runs again the one parameter, and the slots whose numbers it moves', () => {
    const playthroughsOf = counting();
    playthroughsOf(demo);
    const runs = playthroughsOf(edit(document, { op: 'add', path: '/parameters/hornetSpeed/pins/slot-9', value: 4 }));
    expect(runs.filter((run) => run.startsWith('parameter'))).toEqual(['parameter hornetSpeed']);
    expect(runs.filter((run) => run.startsWith('slot'))).toEqual(['slot slot-9']);
  });

  it('finds after any edit what a new book finds', () => {
    const book = new FindingBook();
    let current = document;
    const edits: PatchOperation[][] = [
      [{ op: 'replace', path: '/levels/two-ponds/name', value: 'Two Pools' }],
      [
        {
          op: 'replace',
          path: '/parameters/clock/ramp',
          value: { shape: { type: 'formula', text: '1 / (level - 5)' } },
        },
      ],
      [{ op: 'replace', path: '/slots/slot-17/order', value: 2.5 }],
      [{ op: 'replace', path: '/parameters/hornetSpeed/label', value: 'Hornet pace' }],
      [{ op: 'replace', path: '/parameters/hornetSight/ramp/shape/value', value: 12 }],
      [{ op: 'replace', path: '/parameters/nectarNeeded/ramp/shape/from', value: 0 }],
      [{ op: 'replace', path: '/kinds/enemies/wasp/radius', value: 1.4 }],
      [{ op: 'replace', path: '/kinds/enemies/hornet/name', value: 'Great hornet' }],
      [{ op: 'replace', path: '/kinds/collectables/clover/worth', value: { from: 'number', value: 0 } }],
      [{ op: 'replace', path: '/run/livesAtStart', value: { from: 'number', value: 0 } }],
      [{ op: 'add', path: '/player/health', value: { from: 'parameter', parameter: 'beetles' } }],
      [
        { op: 'remove', path: '/slots/slot-7' },
        { op: 'replace', path: '/expectations', value: {} },
      ],
    ];
    for (const [index, patch] of edits.entries()) {
      current = applyPatch(current, patch);
      const project = projectOf(current);
      const found = book.of(project);
      // A new book looks at everything: at each third edit by `npm test`.
      if (isThorough || index % 3 === 2) expect(found).toEqual(findingsOf(project));
    }
  });

  it('plays a slot only when this is requested, the slot at hand first', () => {
    const played: string[] = [];
    const book = new FindingBook([
      { code: 'unused', scope: 'slot', find: () => [] },
      {
        code: 'hurt-untouched',
        scope: 'tried',
        find: ({ slot }: { slot: { id: string } }) => {
          played.push(slot.id);
          return [{ slotId: slot.id, path: '', sentence: `${played.length}`, reason: '' }];
        },
      },
    ] as unknown as Check[]);
    const sentences = (): string[] => book.findings().map(({ sentence }) => sentence);
    book.begin(demo, 'slot-5');
    expect([played, sentences()]).toEqual([[], []]);
    expect([book.goOn(), book.goOn()]).toEqual([true, true]);
    expect([played, sentences()]).toEqual([
      ['slot-5', 'slot-1'],
      ['2', '1'],
    ]);
    // Left in the middle by an edit of one level: what stands is kept, the rest is still due.
    book.begin(edit(document, { op: 'replace', path: '/levels/clover-steps/tie', value: 'loss' }), 'slot-2');
    expect(sentences()).toEqual(['2', '1']);
    while (book.goOn());
    expect(played.slice(2, 5)).toEqual(['slot-2', 'slot-1', 'slot-3']);
    expect(played).toHaveLength(25);
  });
});
