import { hashState, makeWorld, prepareLevel, startAttempt, step } from '@stadion/core/attempt';
import { homeBeforeDusk } from '@stadion/core/demo';
import { drawPlayer, makePlayer, PACERS, playerInput } from '@stadion/core/pacers';

/** Final states of so many attempts, over all levels and pacers in turn. */
export function hashesOf(seeds: number): number[] {
  const project = homeBeforeDusk();
  // The one that is won at once says nothing.
  const positions = project.slots.map((_, index) => index + 1).filter((position) => position !== 11);
  const worlds = positions.map((position) => makeWorld(prepareLevel(project, position)));
  return Array.from({ length: seeds }, (_, seed) => {
    const world = worlds[seed % worlds.length]!;
    const state = startAttempt(world, seed);
    const player = makePlayer(state, drawPlayer(PACERS[seed % PACERS.length]!, seed), seed);
    while (state.phase === 'playing') step(state, playerInput(player, state));
    return hashState(state);
  });
}
