import { isWall, type Grid } from './grid.ts';
import type { Spot } from './path.ts';

/** Distance between the places that are tried along a line, units. */
const STRIDE = 0.4;

/** Is there no wall on the straight line between two places? */
export function isInSight(grid: Grid, from: Spot, to: Spot): boolean {
  const dx = to.x - from.x;
  const dy = to.y - from.y;
  const strides = Math.ceil((Math.abs(dx) > Math.abs(dy) ? Math.abs(dx) : Math.abs(dy)) / STRIDE);
  for (let i = 1; i <= strides; i++) {
    if (isWall(grid, Math.floor(from.x + (dx * i) / strides), Math.floor(from.y + (dy * i) / strides))) return false;
  }
  return true;
}

/** Does something of this radius meet no wall at a place? It meets walls as the square around it. */
function fits(grid: Grid, x: number, y: number, radius: number): boolean {
  const left = Math.floor(x - radius);
  const right = Math.floor(x + radius);
  const top = Math.floor(y - radius);
  const bottom = Math.floor(y + radius);
  if (isWall(grid, left, top)) return false;
  if (right !== left && isWall(grid, right, top)) return false;
  return bottom === top || (!isWall(grid, left, bottom) && (right === left || !isWall(grid, right, bottom)));
}

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
