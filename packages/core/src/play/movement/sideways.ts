import type { Control, PlayerBody } from '../attempt/index.ts';

/*
 * Inputs where a player goes to the left or right and holds one thing besides: pairs by side, of which the second holds.
 */

/** -1 left, 0 neither, 1 right. */
export type Side = -1 | 0 | 1;
/** Side of each pair of inputs. */
export const SIDES: readonly Side[] = [0, -1, 1];

export const sideOf = (input: number): Side => SIDES[input >> 1] ?? 0;
export const isHeld = (input: number): boolean => (input & 1) === 1;
export const sideInput = (side: number, held: boolean): number => (side === 0 ? 0 : side < 0 ? 2 : 4) + (held ? 1 : 0);

/** The input that held controls make. */
export const inputOfControls = (held: ReadonlySet<Control>): number =>
  sideInput((held.has('right') ? 1 : 0) - (held.has('left') ? 1 : 0), held.has('up') || held.has('act'));

const FACING_LEFT = 16;

/** Turns the player to the side that it goes to. */
export function face(body: PlayerBody, side: Side): void {
  if (side !== 0) body.facing = side < 0 ? FACING_LEFT : 0;
}
