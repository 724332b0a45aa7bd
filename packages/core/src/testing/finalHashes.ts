import { hashState, startAttempt, step } from '../play/attempt/index.ts';
import { demoOnGrounds } from './demoOnGrounds.ts';
import { makeWorld, prepareLevel } from '../play/movement/index.ts';
import { drawPlayer, makePlayer, playerInput } from '../forecast/pacers/index.ts';

/** Hashes of the final states of a number of attempts, over all levels of the demo and all pacers in turn. */
export function finalHashes(attempts: number): number[] {
  const project = demoOnGrounds();
  const { pacers } = project;
  // The one that is won at once says nothing.
  const positions = project.slots.map((_, index) => index + 1).filter((position) => position !== 11);
  const worlds = positions.map((position) => makeWorld(prepareLevel(project, position)));
  return Array.from({ length: attempts }, (_, seed) => {
    const world = worlds[seed % worlds.length]!;
    const state = startAttempt(world, seed);
    const player = makePlayer(state, drawPlayer(pacers[seed % pacers.length]!, seed), seed);
    while (state.phase === 'playing') step(state, playerInput(player, state));
    return hashState(state);
  });
}
