import { describe, expect, it } from '@jest/globals';
import { patchesConflict } from './index.ts';
import type { PatchOperation } from './index.ts';

const replace = (path: string): PatchOperation[] => [{ op: 'replace', path, value: 1 }];
const add = (path: string): PatchOperation[] => [{ op: 'add', path, value: 1 }];
const remove = (path: string): PatchOperation[] => [{ op: 'remove', path }];

describe('patches made side by side', () => {
  it.each([
    ['the same number', replace('/levels/a/tie'), replace('/levels/a/tie'), true],
    ['two levels', replace('/levels/a/tie'), replace('/levels/b/tie'), false],
    ['a level and a part of it', remove('/levels/a'), replace('/levels/a/tie'), true],
    ['names that begin alike', replace('/levels/ab'), replace('/levels/a'), false],
    ['two entries of a list', replace('/slots/1/wanted'), replace('/slots/2/wanted'), false],
    ['a list that shifts and an entry of it', add('/slots/1'), replace('/slots/4/wanted'), true],
    ['something appended and an entry', add('/slots/-'), replace('/slots/4/wanted'), true],
    ['two pins of one parameter', add('/parameters/0/pins/slot-1'), add('/parameters/0/pins/slot-2'), false],
    [
      'a reorder and an edit elsewhere',
      [{ op: 'move', from: '/slots/3', path: '/slots/1' }],
      replace('/levels/a/name'),
      false,
    ],
    ['a test and a change', [{ op: 'test', path: '/name', value: 'x' }], replace('/name'), false],
  ] as [string, PatchOperation[], PatchOperation[], boolean][])('of %s meet: %s', (_case, one, other, expected) => {
    expect(patchesConflict(one, other)).toBe(expected);
    expect(patchesConflict(other, one)).toBe(expected);
  });
});
