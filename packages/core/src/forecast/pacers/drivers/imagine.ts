import { FIRE, type AttemptState, type PlayerBody } from '../../../play/attempt/index.ts';
import type { Player } from '../driver.ts';
import { plannedFor } from '../faults/reaction.ts';

/** Sets a body to the player's place when its present decision takes effect, by its earlier decisions. @param own state of the kind of ground, overwritten with the present one */
export function imagineUntilActing(
  { reaction }: Player,
  { world, view, body, own, tick }: AttemptState,
  imagined: PlayerBody,
  imaginedOwn: unknown,
): void {
  copyMoving(body, imagined);
  imagined.radius = body.radius;
  imagined.facing = body.facing;
  imagined.half = body.half;
  world.kind.copy(own, imaginedOwn);
  for (let i = 0; i < reaction.ticks; i++)
    world.kind.moveBody(world, view, imagined, imaginedOwn, plannedFor(reaction, tick + i) % FIRE);
}

/** Where a body is and how it moves. Units, units per second. */
export interface Moving {
  x: number;
  y: number;
  vx: number;
  vy: number;
}

/** Moves one body to where another is. */
export function copyMoving(from: Moving, to: Moving): void {
  to.x = from.x;
  to.y = from.y;
  to.vx = from.vx;
  to.vy = from.vy;
}
