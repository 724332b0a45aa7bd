import { isWall, isWallInRow, type Grid } from './grid.ts';
import type { Spot } from './path.ts';

/**
 * Is there no wall on the straight line between two places? Looks at every cell that the line goes through; a line through
 * the very corner of two cells goes from one to the other.
 *
 * Source: J. Amanatides, A. Woo (1987), A Fast Voxel Traversal Algorithm for Ray Tracing, Eurographics.
 */
export function isInSight(grid: Grid, from: Spot, to: Spot): boolean {
  const dx = to.x - from.x;
  const dy = to.y - from.y;
  let column = Math.floor(from.x);
  let row = Math.floor(from.y);
  const lastColumn = Math.floor(to.x);
  const lastRow = Math.floor(to.y);
  const stepX = dx > 0 ? 1 : -1;
  const stepY = dy > 0 ? 1 : -1;
  // Shares of the way at which the next border across, and the next one down, is met.
  let nextX = dx === 0 ? Number.POSITIVE_INFINITY : ((dx > 0 ? column + 1 : column) - from.x) / dx;
  let nextY = dy === 0 ? Number.POSITIVE_INFINITY : ((dy > 0 ? row + 1 : row) - from.y) / dy;
  while ((column !== lastColumn || row !== lastRow) && (nextX <= 1 || nextY <= 1)) {
    const across = nextX <= nextY;
    const down = nextY <= nextX;
    if (across) {
      column += stepX;
      nextX += 1 / Math.abs(dx);
    }
    if (down) {
      row += stepY;
      nextY += 1 / Math.abs(dy);
    }
    if (isWall(grid, column, row)) return false;
  }
  return true;
}

/** Does something of this radius meet no wall at a place? It meets walls as the square around it. */
export function fits(grid: Grid, x: number, y: number, radius: number): boolean {
  const left = Math.floor(x - radius);
  const right = Math.floor(x + radius);
  const bottom = Math.floor(y + radius);
  for (let row = Math.floor(y - radius); row <= bottom; row++) if (isWallInRow(grid, row, left, right)) return false;
  return true;
}

/** Distance between the places that are tried along a way, units. */
const STRIDE = 0.4;
/** Share of the first stride that is tried too: a corner that is all but touched stops a body at once. */
const AT_ONCE = 0.25;

/** Can something of this radius go straight to a place without meeting a wall? */
export function wayIsClear(grid: Grid, from: Spot & { radius: number }, to: Spot): boolean {
  const { radius } = from;
  const dx = to.x - from.x;
  const dy = to.y - from.y;
  const strides = Math.ceil((Math.abs(dx) > Math.abs(dy) ? Math.abs(dx) : Math.abs(dy)) / STRIDE);
  if (strides === 0) return true;
  if (!fits(grid, from.x + (dx * AT_ONCE) / strides, from.y + (dy * AT_ONCE) / strides, radius)) return false;
  for (let i = 1; i <= strides; i++) {
    if (!fits(grid, from.x + (dx * i) / strides, from.y + (dy * i) / strides, radius)) return false;
  }
  return true;
}
