import type { Spot } from '../grid/index.ts';
import type { AttemptState } from './types.ts';

/** How near the player's edge must come to the middle of a piece to gather or touch it. Units. */
export const REACH = 0.35;

/** Returns the part of a difference in height beyond the middle line of a body. @param dy units @param half length of the line up and down, units */
export const beyond = (dy: number, half: number): number => (dy > half ? dy - half : dy < -half ? dy + half : 0);

/** Does the player touch a piece that lies here? */
export const isTouching = ({ body, world }: AttemptState, place: Spot): boolean => {
  const dx = place.x - body.x;
  const dy = beyond(place.y - body.y, body.half);
  return dx * dx + dy * dy <= world.gatherReach * world.gatherReach;
};

/** Takes health from the player. */
export const hurtPlayer = ({ observed }: AttemptState, damage: number): void => {
  observed.health = Math.max(0, observed.health - damage);
};
