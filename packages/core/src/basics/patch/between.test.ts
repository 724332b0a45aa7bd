import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '../../exchange/demo/index.ts';
import { documentOf } from '../../document/model/index.ts';
import { applyPatch, patchBetween } from './index.ts';

describe('a patch between two documents', () => {
  const before = documentOf(homeBeforeDusk());

  it.each<[string, Parameters<typeof applyPatch>[1]]>([
    ['a number of one level', [{ op: 'replace', path: '/levels/clover-steps/brief', value: 'New' }]],
    ['a level that is gone', [{ op: 'remove', path: '/levels/clover-steps' }]],
    [
      'a slot and a parameter',
      [
        { op: 'remove', path: '/slots/slot-3' },
        { op: 'remove', path: '/parameters/clock' },
      ],
    ],
    ['a part that comes', [{ op: 'add', path: '/leftSo', value: {} }]],
    ['a part that goes', [{ op: 'remove', path: '/wantedLine' }]],
    ['nothing', []],
  ])('makes the same document elsewhere: %s', (_case, patch) => {
    const first = { ...before, wantedLine: { shape: { type: 'hold' as const, value: 0.5 } } };
    const next = applyPatch(first, patch);
    expect(applyPatch(first, structuredClone(patchBetween(first, next)))).toEqual(next);
  });

  it('names one place where one was touched, and leaves all others the same objects', () => {
    const next = applyPatch(before, [{ op: 'replace', path: '/levels/clover-steps/brief', value: 'New' }]);
    const patch = patchBetween(before, next);
    expect(patch.map(({ path }) => path)).toEqual(['/levels/clover-steps/brief']);
    const made = applyPatch(before, patch);
    expect(made.levels['two-ponds']).toBe(before.levels['two-ponds']);
  });

  it('is all of it for whoever has nothing', () => {
    expect(applyPatch({}, structuredClone(patchBetween({}, before)))).toEqual(before);
  });
});
