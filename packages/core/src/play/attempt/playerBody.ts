import { fits, type Spot } from '../grid/index.ts';
import type { AttemptState, PlayerBody } from './types.ts';

/** Puts the player somewhere, at rest. */
export function putAtRest(body: PlayerBody, at: Spot): void {
  body.x = at.x;
  body.y = at.y;
  body.vx = 0;
  body.vy = 0;
}

/** Moves the player along with what carries it, where walls let it. Units. @returns was it moved? */
export function carryBody({ body, view }: AttemptState, dx: number, dy: number): boolean {
  if (!fits(view.grid, body.x + dx, body.y + dy, body.radius)) return false;
  body.x += dx;
  body.y += dy;
  return true;
}

/** Notes whether there is no ground under the player, and reports the moment when the ground is lost. */
export function noteOffGround({ observed, happenings, tick }: AttemptState, isOff: boolean): void {
  if (isOff && observed.offGround === 0) happenings.push({ tick, what: 'fell' });
  observed.offGround = isOff ? 1 : 0;
}
