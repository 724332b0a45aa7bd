import { Limits, type Ground } from '../../document/model/index.ts';
import { heightOf, moved, widthOf } from './shape.ts';

/** Sorts of cells. */
export const CELLS = { wall: '#', open: '.', 'no ground': '~', ledge: '-' } as const;
export type CellName = keyof typeof CELLS;

export interface Cell {
  x: number;
  y: number;
}

/** All cells of a line between two, both included, each beside the one before. */
export function cellsAlong(from: Cell, to: Cell): Cell[] {
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const steps = Math.max(Math.abs(dx), Math.abs(dy));
  if (steps === 0) return [from];
  return Array.from({ length: steps + 1 }, (_, step) => ({
    x: Math.round(from.x + (dx * step) / steps),
    y: Math.round(from.y + (dy * step) / steps),
  }));
}

/** A ground with some cells made something else; those outside are left out. */
export function painted(ground: Ground, cells: readonly Cell[], to: CellName): Ground {
  const byRow = new Map<number, Set<number>>();
  for (const { x, y } of cells) byRow.set(y, (byRow.get(y) ?? new Set<number>()).add(x));
  const rows = ground.rows.map((row, y) => {
    const columns = byRow.get(y);
    if (!columns) return row;
    return [...row].map((cell, x) => (columns.has(x) ? CELLS[to] : cell)).join('');
  });
  return { ...ground, rows };
}

/** Rows and columns added at each side, or taken away where negative. */
export interface Growth {
  left: number;
  right: number;
  top: number;
  bottom: number;
}

/** Why a ground cannot grow or shrink like that, or undefined. */
export function growthRefused(
  ground: Ground,
  { left, right, top, bottom }: Growth,
  isSection = false,
): string | undefined {
  const width = widthOf(ground) + left + right;
  const height = heightOf(ground) + top + bottom;
  if (width < Limits.groundLeast || height < Limits.groundLeast)
    return `A ground is at least ${Limits.groundLeast} × ${Limits.groundLeast} cells.`;
  if (isSection && (width < Limits.sectionLeast || width > Limits.sectionWidth))
    return `A section is ${Limits.sectionLeast} to ${Limits.sectionWidth} cells wide.`;
  if (width > Limits.groundWidth || height > Limits.groundHeight)
    return `A ground is at most ${Limits.groundWidth} × ${Limits.groundHeight} cells.`;
  return undefined;
}

/**
 * A ground with rows and columns added or taken away. New cells are as their neighbours at that side: a wall round the
 * ground stays one; sections of a run grow up and down with it. Pieces keep their places on the ground; those that lose theirs come in to the edge.
 */
export function grown(ground: Ground, growth: Growth): Ground {
  const next = grownAlone(ground, growth);
  if (!('sections' in ground) || (growth.top === 0 && growth.bottom === 0)) return next;
  // All of a run is equally high.
  const sections = ground.sections.map((section) => {
    const { rows, pieces } = grownAlone(
      { ...ground, rows: section.rows, pieces: section.pieces },
      { ...growth, left: 0, right: 0 },
    );
    return { ...section, rows, pieces };
  });
  return { ...next, sections } as Ground;
}

function grownAlone(ground: Ground, growth: Growth): Ground {
  const { left, right, top, bottom } = growth;
  const across = (row: string): string => {
    const kept = row.slice(Math.max(0, -left), row.length - Math.max(0, -right));
    return (row[0] ?? '.').repeat(Math.max(0, left)) + kept + (row.at(-1) ?? '.').repeat(Math.max(0, right));
  };
  const wide = ground.rows.map(across);
  const kept = wide.slice(Math.max(0, -top), wide.length - Math.max(0, -bottom));
  const rows = [
    ...Array.from({ length: Math.max(0, top) }, () => wide[0] as string),
    ...kept,
    ...Array.from({ length: Math.max(0, bottom) }, () => wide.at(-1) as string),
  ];
  // A wall that went all round goes all round again, what was wall inside of it becomes free.
  const closed = isWalledIn(ground.rows) ? walledIn(rows, ground, growth) : rows;
  const next: Ground = { ...ground, rows: closed };
  return { ...next, pieces: ground.pieces.map((piece) => moved(piece, next, left, top)) };
}

const isWalledIn = (rows: readonly string[]): boolean =>
  rows.every((row, y) =>
    y === 0 || y === rows.length - 1 ? !/[^#]/.test(row) : row.startsWith('#') && row.endsWith('#'),
  );

function walledIn(rows: readonly string[], before: Ground, { left, right, top, bottom }: Growth): string[] {
  const width = rows[0]?.length ?? 0;
  const was = { left: 0, right: widthOf(before) - 1, top: 0, bottom: heightOf(before) - 1 };
  return rows.map((row, y) =>
    [...row]
      .map((cell, x) => {
        if (y === 0 || y === rows.length - 1 || x === 0 || x === width - 1) return '#';
        const [oldX, oldY] = [x - left, y - top];
        const wasBorder =
          (left > 0 && oldX <= was.left) ||
          (right > 0 && oldX >= was.right) ||
          (top > 0 && oldY <= was.top) ||
          (bottom > 0 && oldY >= was.bottom);
        return wasBorder ? '.' : cell;
      })
      .join(''),
  );
}

/** A ground without pieces but its start and without walls but those round it. */
export function cleared(ground: Ground): Ground {
  const [width, height] = [widthOf(ground), heightOf(ground)];
  const rows = ground.rows.map((row, y) =>
    y === 0 || y === height - 1 ? row : `${row[0]}${'.'.repeat(width - 2)}${row.at(-1)}`,
  );
  return { ...ground, rows, pieces: ground.pieces.filter(({ piece }) => piece === 'start') };
}
