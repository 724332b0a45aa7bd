import { describe, expect, it } from '@jest/globals';
import { blockOf, cellsOf, evenly, movedBy, type Selection } from './gridSelection.ts';

const size = { rows: 24, columns: 7 };
const at = ([row, column]: readonly [number, number]): Selection => ({
  anchor: { row, column },
  focus: { row, column },
});

describe('the keyboard in the grid', () => {
  it.each([
    ['ArrowDown', false, false, [3, 2], [4, 2]],
    ['ArrowUp', false, false, [0, 2], [0, 2]],
    ['ArrowRight', false, false, [3, 6], [3, 6]],
    ['ArrowRight', false, true, [3, 2], [3, 6]],
    ['ArrowUp', false, true, [3, 2], [0, 2]],
    ['PageDown', false, false, [3, 2], [19, 2]],
    ['PageDown', false, false, [20, 2], [23, 2]],
    ['Home', false, false, [3, 2], [3, 0]],
    ['End', false, true, [3, 2], [23, 6]],
    ['Home', false, true, [3, 2], [0, 0]],
  ] as const)('%s (shift %s, ctrl %s) goes from %j to %j', (key, shift, ctrl, from, to) => {
    expect(movedBy(key, { shift, ctrl }, at(from), size)).toEqual(at(to));
  });

  it('with Shift makes a block from where it began', () => {
    const once = movedBy('ArrowDown', { shift: true, ctrl: false }, at([3, 2]), size)!;
    const twice = movedBy('ArrowLeft', { shift: true, ctrl: false }, once, size)!;
    expect(blockOf(twice)).toEqual({ top: 3, bottom: 4, left: 1, right: 2 });
    expect(cellsOf(blockOf(twice))).toEqual([
      { row: 3, column: 1 },
      { row: 3, column: 2 },
      { row: 4, column: 1 },
      { row: 4, column: 2 },
    ]);
  });

  it('leaves other keys alone', () => {
    expect(movedBy('a', { shift: false, ctrl: false }, at([1, 1]), size)).toBeUndefined();
  });
});

describe('filling evenly', () => {
  it('goes from the first to the last in equal steps', () => {
    expect([0, 1, 2, 3, 4].map((step) => evenly(2, 4, step, 4))).toEqual([2, 2.5, 3, 3.5, 4]);
    expect(evenly(2, 4, 0, 0)).toBe(2);
  });
});
