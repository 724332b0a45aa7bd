/** A cell of the grid, rows and columns from 0. */
export interface Cell {
  row: number;
  column: number;
}

/** Cells from one corner to the other; the focus is where typing goes. */
export interface Selection {
  anchor: Cell;
  focus: Cell;
}

/** A block of cells, both ends included. */
export interface Block {
  top: number;
  bottom: number;
  left: number;
  right: number;
}

export const blockOf = ({ anchor, focus }: Selection): Block => ({
  top: Math.min(anchor.row, focus.row),
  bottom: Math.max(anchor.row, focus.row),
  left: Math.min(anchor.column, focus.column),
  right: Math.max(anchor.column, focus.column),
});

const STEPS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
  PageUp: [-16, 0],
  PageDown: [16, 0],
};

const within = (value: number, most: number): number => Math.max(0, Math.min(most, value));

/** Where a key takes the focus; undefined for a key that does not move it. With Shift the block grows. */
export function movedBy(
  key: string,
  { shift, ctrl }: { shift: boolean; ctrl: boolean },
  { anchor, focus }: Selection,
  size: { rows: number; columns: number },
): Selection | undefined {
  const step = STEPS[key];
  const last = { row: size.rows - 1, column: size.columns - 1 };
  let to: Cell;
  if (key === 'Home') to = { row: ctrl ? 0 : focus.row, column: 0 };
  else if (key === 'End') to = { row: ctrl ? last.row : focus.row, column: last.column };
  else if (step) {
    const far = ctrl ? 1e6 : 1;
    to = {
      row: within(focus.row + step[0] * far, last.row),
      column: within(focus.column + step[1] * far, last.column),
    };
  } else return undefined;
  return { anchor: shift ? anchor : to, focus: to };
}

/** Every row and column of a block, in reading order. */
export const cellsOf = ({ top, bottom, left, right }: Block): Cell[] =>
  Array.from({ length: (bottom - top + 1) * (right - left + 1) }, (_, index) => {
    const width = right - left + 1;
    return { row: top + Math.floor(index / width), column: left + (index % width) };
  });

/** A block's values from its first and last row: evenly from one to the other, column by column. */
export const evenly = (first: number, last: number, step: number, steps: number): number =>
  steps === 0 ? first : first + ((last - first) * step) / steps;
