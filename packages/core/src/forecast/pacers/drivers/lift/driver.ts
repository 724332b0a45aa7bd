import type { Driver } from '../../driver.ts';
import { choosePlan, startMemory, willBeHurt, type LiftMemory } from './decide.ts';

/** Players on a lift ground: they try short plans of holding and letting go, each with a steady hand after it. */
export const liftDriver: Driver<LiftMemory> = {
  start: startMemory,
  decide: choosePlan,
  // Its errors are errors of place: they are in what it aims at.
  misdirected: (_player, _state, input) => input,
  leadsIntoHarm: (player, state, input) => willBeHurt(player, state, player.memory as LiftMemory, input),
};
