import type { Driver } from '../../driver.ts';
import { chooseInput, startMemory, willBeHurt, type RunMemory } from './decide.ts';

/** Players on a run: where going on would end badly they try presses by running the body, and take the middle of the widest window. */
export const runDriver: Driver<RunMemory> = {
  start: startMemory,
  decide: chooseInput,
  // Its errors are errors of time: they are in when it presses and lets go.
  misdirected: (_player, _state, input) => input,
  leadsIntoHarm: (player, state, input) => willBeHurt(player, state, input),
};
