import { toSignificant } from '@stadion/core/document/ramps';
import papaparse from 'papaparse';
import { cellsOf, type Block, type Cell } from './gridSelection.ts';

/** A value as it is typed and copied. */
export const written = (value: number): string => String(toSignificant(value));

/** A block as a spreadsheet takes it: tabs between columns, a line per row. */
export function blockAsText(block: Block, textOf: (cell: Cell) => string): string {
  const lines: string[][] = [];
  for (const cell of cellsOf(block)) (lines[cell.row - block.top] ??= []).push(textOf(cell));
  return papaparse.unparse(lines, { delimiter: '\t', newline: '\n' });
}

/** Text of a spreadsheet, laid onto the grid. */
export interface Placed {
  /** Cells with something in them. */
  placed: { cell: Cell; text: string }[];
  /** How many values there is no cell for. */
  outside: number;
  /** The last cell of what was laid; undefined where one value filled the block. */
  end?: Cell;
}

/** Lays text onto the grid: one value fills the whole block, several go from its corner on. */
export function placedText(text: string, block: Block, size: { rows: number; columns: number }): Placed {
  const { data } = papaparse.parse<string[]>(text.replace(/\r?\n$/, ''), { delimiter: '\t' });
  const [only] = data[0] ?? [];
  const single = data.length === 1 && data[0]?.length === 1;
  const all = single
    ? cellsOf(block).map((cell) => ({ cell, text: only ?? '' }))
    : data.flatMap((line, row) =>
        line.map((each, column) => ({ cell: { row: block.top + row, column: block.left + column }, text: each })),
      );
  const inside = all.filter(({ cell }) => cell.row < size.rows && cell.column < size.columns);
  const placed = inside.filter((entry) => entry.text.trim() !== '');
  const outside = all.length - inside.length;
  if (single) return { placed, outside };
  const width = Math.max(...data.map((line) => line.length));
  const end = {
    row: Math.min(size.rows, block.top + data.length) - 1,
    column: Math.min(size.columns, block.left + width) - 1,
  };
  return { placed, outside, end };
}
