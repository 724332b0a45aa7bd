import type { Abilities } from '../../basics/abilities/index.ts';
import type { AttemptState } from '../../play/attempt/index.ts';
import { DRIVERS } from './drivers/index.ts';
import type { Player } from './driver.ts';
import { makePlayerOn } from './player.ts';

/** A player for an attempt on any kind of ground. @param seed the attempt's */
export const makePlayer = (state: AttemptState, abilities: Abilities, seed: number): Player =>
  makePlayerOn(DRIVERS[state.world.level.kind], state, abilities, seed);
