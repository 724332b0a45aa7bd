import { isWallInColumn, isWallInRow, type Grid } from './grid.ts';

/** Something that moves: a round thing that meets walls as the square around it. Units and units per second. */
export interface Body {
  x: number;
  y: number;
  vx: number;
  vy: number;
  radius: number;
}

/** Kept between a body and a wall it leans on, so that it does not count as inside. */
export const WALL_GAP = 1e-6;

/** A body that only touches the next cell is not in it. */
export const BELOW_TOUCH = 1e-9;

/** No body goes further than this in one tick, or it could pass through a wall. Units. */
const LONGEST_STEP = 0.45;

/** Returns the step of a body in one tick, within what it may go at once. Units. */
export const limitedStep = (step: number): number =>
  step > LONGEST_STEP ? LONGEST_STEP : step < -LONGEST_STEP ? -LONGEST_STEP : step;

/**
 * Move a body by its velocity for one tick; walls stop it on the axis on which it meets them, so that it slides along.
 *
 * @param seconds length of the tick
 * @param halfTall from its middle to its feet, units; its radius for a round one
 */
export function moveBody(grid: Grid, body: Body, seconds: number, halfTall = body.radius): void {
  const { radius } = body;
  const stepX = limitedStep(body.vx * seconds);
  if (stepX !== 0) {
    const x = body.x + stepX;
    const edge = Math.floor(stepX > 0 ? x + radius : x - radius);
    if (isWallInColumn(grid, edge, Math.floor(body.y - halfTall), Math.floor(body.y + halfTall - BELOW_TOUCH))) {
      body.x = stepX > 0 ? edge - radius - WALL_GAP : edge + 1 + radius + WALL_GAP;
      body.vx = 0;
    } else body.x = x;
  }
  const stepY = limitedStep(body.vy * seconds);
  if (stepY !== 0) {
    const y = body.y + stepY;
    const edge = Math.floor(stepY > 0 ? y + halfTall : y - halfTall);
    if (isWallInRow(grid, edge, Math.floor(body.x - radius), Math.floor(body.x + radius - BELOW_TOUCH))) {
      body.y = stepY > 0 ? edge - halfTall - WALL_GAP : edge + 1 + halfTall + WALL_GAP;
      body.vy = 0;
    } else body.y = y;
  }
}
