import { isWall, type Grid } from './grid.ts';
import type { Spot } from './path.ts';

/** Distance between the places that are tried along a line, units. */
const STRIDE = 0.4;

/** Can a square of this half side go straight from one place to the other without meeting a wall? A half side of 0 asks for sight alone. */
export function wayIsClear(grid: Grid, from: Spot, to: Spot, halfSide: number): boolean {
  const dx = to.x - from.x;
  const dy = to.y - from.y;
  const strides = Math.ceil((Math.abs(dx) > Math.abs(dy) ? Math.abs(dx) : Math.abs(dy)) / STRIDE);
  for (let i = 1; i <= strides; i++) {
    const x = from.x + (dx * i) / strides;
    const y = from.y + (dy * i) / strides;
    const left = Math.floor(x - halfSide);
    const right = Math.floor(x + halfSide);
    const top = Math.floor(y - halfSide);
    const bottom = Math.floor(y + halfSide);
    if (isWall(grid, left, top)) return false;
    if (right !== left && isWall(grid, right, top)) return false;
    if (bottom !== top && (isWall(grid, left, bottom) || (right !== left && isWall(grid, right, bottom)))) return false;
  }
  return true;
}
