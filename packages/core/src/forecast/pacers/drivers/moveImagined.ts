import {
  BELOW_TOUCH,
  isWallInColumn,
  isWallInRow,
  limitedStep,
  WALL_GAP,
  type Grid,
} from '../../../play/grid/index.ts';
import { TICK_SECONDS } from '../../../play/rules/index.ts';

/** An imagined body. Units, units per second. */
interface Imagined {
  x: number;
  y: number;
  vx: number;
  vy: number;
}

/** Moves an imagined body by its velocity for one tick, as `moveBody` of the grid does. It is called with few sorts of bodies only, which makes it fast. */
export function moveImagined(grid: Grid, body: Imagined, radius: number): void {
  const stepX = limitedStep(body.vx * TICK_SECONDS);
  if (stepX !== 0) {
    const x = body.x + stepX;
    const edge = Math.floor(stepX > 0 ? x + radius : x - radius);
    if (isWallInColumn(grid, edge, Math.floor(body.y - radius), Math.floor(body.y + radius - BELOW_TOUCH))) {
      body.x = stepX > 0 ? edge - radius - WALL_GAP : edge + 1 + radius + WALL_GAP;
      body.vx = 0;
    } else body.x = x;
  }
  const stepY = limitedStep(body.vy * TICK_SECONDS);
  if (stepY !== 0) {
    const y = body.y + stepY;
    const edge = Math.floor(stepY > 0 ? y + radius : y - radius);
    if (isWallInRow(grid, edge, Math.floor(body.x - radius), Math.floor(body.x + radius - BELOW_TOUCH))) {
      body.y = stepY > 0 ? edge - radius - WALL_GAP : edge + 1 + radius + WALL_GAP;
      body.vy = 0;
    } else body.y = y;
  }
}
