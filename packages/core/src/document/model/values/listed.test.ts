import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '../../../exchange/demo/index.ts';
import { applyPatch, type PatchOperation } from '../../../basics/patch/index.ts';
import { documentOf, emptyProject, idOf, numbersOf, projectOf, type Item, type ProjectDocument } from '../index.ts';

const document = documentOf(homeBeforeDusk());
const ids = (list: readonly Item[]): string[] => list.map(idOf);
const edited = (...patch: PatchOperation[]): ProjectDocument => applyPatch(document, patch);

describe('a document as it is read', () => {
  it.each([
    ['the demo', homeBeforeDusk()],
    ['an empty project', emptyProject('Quiet Garden')],
  ])('is the same project again: %s', (_name, project) => {
    const stored = documentOf(project);
    expect(documentOf(projectOf(stored))).toEqual(stored);
    expect(ids(projectOf(stored).slots)).toEqual(ids(project.slots));
  });

  it('has its collections in the order of their numbers, equal ones by their ids', () => {
    const { slots } = projectOf(
      edited(
        { op: 'replace', path: '/slots/slot-9/order', value: 0.5 },
        { op: 'replace', path: '/slots/slot-3/order', value: 2 },
      ),
    );
    expect(ids(slots).slice(0, 4)).toEqual(['slot-9', 'slot-1', 'slot-2', 'slot-3']);
  });

  it('has its tiers in the order of their bounds', () => {
    const { tiers } = projectOf(edited({ op: 'add', path: '/tiers/noon', value: { name: 'Noon', from: 10 } }));
    expect(ids(tiers)).toEqual(['morning', 'midday', 'noon', 'afternoon', 'dusk']);
  });

  it('keeps the objects of what an edit does not touch', () => {
    const before = projectOf(document);
    const after = projectOf(edited({ op: 'replace', path: '/levels/two-ponds/tie', value: 'loss' }));
    expect(projectOf(document)).toBe(before);
    expect(after.slots).toBe(before.slots);
    expect(after.levels['clover-steps']).toBe(before.levels['clover-steps']);
    expect(after.levels['two-ponds']!.ground).toBe(before.levels['two-ponds']!.ground);
    const pinned = projectOf(edited({ op: 'add', path: '/parameters/clock/pins/slot-1', value: 9 }));
    expect(pinned.parameters.filter((parameter, index) => parameter !== before.parameters[index])).toMatchObject([
      { key: 'clock' },
    ]);
  });

  it('calls an entry that was copied by its own id', () => {
    const { slots } = projectOf(edited({ op: 'copy', from: '/slots/slot-1', path: '/slots/again' }));
    expect(ids(slots).slice(0, 2)).toEqual(['again', 'slot-1']);
  });
});

describe('the numbers of a list', () => {
  it.each([
    ['kept where they rise', [1, 1.5, 7], [1, 1.5, 7]],
    ['anew where two are equal', [1, 1, 2], [1, 2, 3]],
    ['anew where one has none', [4, undefined, 6], [1, 2, 3]],
    ['anew where they fall', [3, 2, 1], [1, 2, 3]],
  ])('are %s', (_case, given, expected) => {
    const list = given.map((order, index): Item => ({ id: `i${index}`, ...(order === undefined ? {} : { order }) }));
    expect(numbersOf(list)).toEqual(expected);
  });
});
