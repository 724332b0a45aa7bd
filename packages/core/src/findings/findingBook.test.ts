import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '../demo/index.ts';
import { documentOf, projectOf, type Project, type ProjectDocument } from '../model/index.ts';
import { applyPatch, type PatchOperation } from '../patch/index.ts';
import type { FindingCode } from './index.ts';
import { FindingBook, findingsOf, type Check, type Scope } from './index.ts';

/** A check of every scope that only counts how often it runs, by what it looks at. */
function counting() {
  const runs: string[] = [];
  const check = <S extends Scope>(scope: S, name: (facts: never) => string): Check => ({
    code: 'unused' satisfies FindingCode,
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
    const runsOf = counting();
    runsOf(demo);
    expect(runsOf({ ...demo })).toEqual(['project']);
  });

  it('runs again what one level concerns', () => {
    const runsOf = counting();
    runsOf(demo);
    const changed = edit(document, { op: 'replace', path: '/levels/two-ponds/tie', value: 'loss' });
    const runs = runsOf(changed);
    expect(runs.filter((run) => run.startsWith('slot'))).toEqual(['slot slot-4']);
    expect(runs.filter((run) => run.startsWith('level'))).toEqual(['level two-ponds']);
    expect(runs.filter((run) => run.startsWith('parameter'))).toEqual([]);
  });

  it('runs again the one parameter, and the slots whose numbers it moves', () => {
    const runsOf = counting();
    runsOf(demo);
    const runs = runsOf(edit(document, { op: 'add', path: '/parameters/hornetSpeed/pins/slot-9', value: 4 }));
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
      [
        { op: 'remove', path: '/slots/slot-7' },
        { op: 'replace', path: '/expectations', value: {} },
      ],
    ];
    for (const patch of edits) {
      current = applyPatch(current, patch);
      const project = projectOf(current);
      expect(book.of(project)).toEqual(findingsOf(project));
    }
  });
});
