import { hashState, startAttempt, step } from '../play/attempt/index.ts';
import { START_KITS, startGoals, startProject, type StartMoves } from '../authoring/building/index.ts';
import { makeWorld, prepareLevel } from '../play/movement/index.ts';
import { drawPlayer, makePlayer, playerInput } from '../forecast/pacers/index.ts';

/** Hashes of the final states of a number of attempts on each kind of ground, at the last level of every start, with all pacers in turn. */
export function kindHashes(attempts: number): Record<string, number[]> {
  const kinds = Object.keys(START_KITS) as StartMoves[];
  return Object.fromEntries(
    kinds.map((moves) => {
      const worlds = Object.keys(startGoals(moves)).map((goal) => {
        const project = startProject({ moves, goal, levels: 12 });
        return { pacers: project.pacers, world: makeWorld(prepareLevel(project, 12)) };
      });
      const hashes = Array.from({ length: attempts }, (_, seed) => {
        const { world, pacers } = worlds[seed % worlds.length]!;
        const state = startAttempt(world, seed);
        const player = makePlayer(state, drawPlayer(pacers[seed % pacers.length]!, seed), seed);
        while (state.phase === 'playing') step(state, playerInput(player, state));
        return hashState(state);
      });
      return [moves, hashes];
    }),
  );
}
