import { isWall, type Grid } from './grid.ts';

/** A mutable place, so that the hot path hands back two numbers without making an object. */
export interface Spot {
  x: number;
  y: number;
}

/** The neighbouring cell one step nearer, or the cell itself when it is the target or nothing leads there. */
export function nextCellTowards(grid: Grid, distances: Int32Array, cell: number): number {
  const { width } = grid;
  const column = cell % width;
  const row = (cell - column) / width;
  let best = cell;
  let least = distances[cell] as number;
  for (let dy = -1; dy <= 1; dy++) {
    for (let dx = -1; dx <= 1; dx++) {
      if (isWall(grid, column + dx, row + dy)) continue;
      if (dx !== 0 && dy !== 0 && (isWall(grid, column + dx, row) || isWall(grid, column, row + dy))) continue;
      const next = cell + dy * width + dx;
      const distance = distances[next] as number;
      if (distance < least) {
        least = distance;
        best = next;
      }
    }
  }
  return best;
}
