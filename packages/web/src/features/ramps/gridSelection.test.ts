import { describe, expect, it } from '@jest/globals';
import { blockAsText, placedText, written } from './gridClipboard.ts';
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

describe('what a spreadsheet gives', () => {
  const block = { top: 2, bottom: 3, left: 5, right: 5 };

  it('goes from the corner on; empty cells are left alone, what has no cell is counted', () => {
    expect(placedText('1\t2\t3\r\n4\t\t6\r\n', block, size)).toEqual({
      placed: [
        { cell: { row: 2, column: 5 }, text: '1' },
        { cell: { row: 2, column: 6 }, text: '2' },
        { cell: { row: 3, column: 5 }, text: '4' },
      ],
      outside: 2,
      end: { row: 3, column: 6 },
    });
  });

  it('fills the block where it is one value', () => {
    expect(placedText('7', block, size)).toEqual({
      placed: [
        { cell: { row: 2, column: 5 }, text: '7' },
        { cell: { row: 3, column: 5 }, text: '7' },
      ],
      outside: 0,
    });
  });

  it('comes back as it went out', () => {
    const text = blockAsText({ top: 0, bottom: 1, left: 0, right: 2 }, ({ row, column }) => written(row + column / 3));
    expect(text).toBe('0\t0.3333333333\t0.6666666667\n1\t1.333333333\t1.666666667');
    expect(placedText(text, { top: 0, bottom: 0, left: 0, right: 0 }, size).placed).toHaveLength(6);
  });
});
