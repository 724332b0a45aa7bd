import type { Driver } from '../../driver.ts';
import { chooseMove, startMemory, willBeHurt, type LeapMemory } from './decide.ts';

/** Players on a leap ground: they know by a graph of standing places how far everything is, and try what they can do next by running the body. */
export const leapDriver: Driver<LeapMemory> = {
  start: startMemory,
  decide: chooseMove,
  // Its errors are errors of time at take-off: they are in where it takes itself to be.
  misdirected: (_player, _state, input) => input,
  leadsIntoHarm: (player, state, input) => willBeHurt(player, state, input),
  // An absent player stops.
  absent: () => 0,
};
