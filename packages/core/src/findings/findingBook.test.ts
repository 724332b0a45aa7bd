import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '../demo/index.ts';
import type { Project } from '../model/index.ts';
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
    check('kind', ({ of, index }: { of: string; index: number }) => `${of} ${index}`),
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

const edit = (project: Project, ...patch: PatchOperation[]): Project => applyPatch(project, patch);
const at = (project: Project, key: string): number => project.parameters.findIndex((entry) => entry.key === key);

describe('a book of findings', () => {
  const demo = homeBeforeDusk();

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
    const changed = edit(demo, { op: 'replace', path: '/levels/two-ponds/tie', value: 'loss' });
    const runs = runsOf(changed);
    expect(runs.filter((run) => run.startsWith('slot'))).toEqual(['slot slot-4']);
    expect(runs.filter((run) => run.startsWith('level'))).toEqual(['level two-ponds']);
    expect(runs.filter((run) => run.startsWith('parameter'))).toEqual([]);
  });

  it('runs again the one parameter, and the slots whose numbers it moves', () => {
    const runsOf = counting();
    runsOf(demo);
    const index = at(demo, 'hornetSpeed');
    const runs = runsOf(edit(demo, { op: 'add', path: `/parameters/${index}/pins/slot-9`, value: 4 }));
    expect(runs.filter((run) => run.startsWith('parameter'))).toEqual(['parameter hornetSpeed']);
    expect(runs.filter((run) => run.startsWith('slot'))).toEqual(['slot slot-9']);
  });

  it('finds after any edit what a new book finds', () => {
    const book = new FindingBook();
    let project = demo;
    const edits: PatchOperation[][] = [
      [{ op: 'replace', path: '/levels/two-ponds/name', value: 'Two Pools' }],
      [
        {
          op: 'replace',
          path: `/parameters/${at(demo, 'clock')}/ramp`,
          value: { shape: { type: 'formula', text: '1 / (level - 5)' } },
        },
      ],
      [{ op: 'move', from: '/slots/16', path: '/slots/2' }],
      [{ op: 'replace', path: '/parameters/0/label', value: 'Hornet pace' }],
      [
        { op: 'remove', path: '/slots/6' },
        { op: 'replace', path: '/expectations', value: [] },
      ],
    ];
    for (const patch of edits) {
      project = edit(project, ...patch);
      expect(book.of(project)).toEqual(findingsOf(project));
    }
  });
});
