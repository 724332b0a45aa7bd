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

/** Can something of this radius go straight to a place without meeting a wall? It meets walls as the square around it. */
export function wayIsClear(grid: Grid, from: Spot & { radius: number }, to: Spot): boolean {
  const { radius } = from;
  const dx = to.x - from.x;
  const dy = to.y - from.y;
  const strides = Math.ceil((Math.abs(dx) > Math.abs(dy) ? Math.abs(dx) : Math.abs(dy)) / STRIDE);
  for (let i = 1; i <= strides; i++) {
    const x = from.x + (dx * i) / strides;
    const y = from.y + (dy * i) / strides;
    const left = Math.floor(x - radius);
    const right = Math.floor(x + radius);
    const top = Math.floor(y - radius);
    const bottom = Math.floor(y + radius);
    if (isWall(grid, left, top)) return false;
    if (right !== left && isWall(grid, right, top)) return false;
    if (bottom !== top && (isWall(grid, left, bottom) || (right !== left && isWall(grid, right, bottom)))) return false;
  }
  return true;
}
