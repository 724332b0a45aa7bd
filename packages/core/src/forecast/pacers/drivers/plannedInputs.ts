import { FIRE } from '../../../play/attempt/index.ts';
import type { Player } from '../driver.ts';
import { plannedFor } from '../faults/reaction.ts';

/** Moves an imagined body to where the player's present decision takes effect, by its earlier decisions. @param move moves the body by one tick @param now tick of the attempt */
export function movePlanned(
  { reaction }: Pick<Player, 'reaction'>,
  now: number,
  move: (input: number, tick: number) => void,
): void {
  for (let tick = 0; tick < reaction.ticks; tick++) move(plannedFor(reaction, now + tick) % FIRE, tick);
}
