import {
  goOnAttempt,
  makeBoutLevelWorld,
  startBoutAttempt,
  boutMind,
  choosing,
  type PreparedBoutLevel,
} from '../play/bouts/index.ts';
import { homeBeforeDusk } from '../exchange/demo/index.ts';
import { drawPlayer } from '../forecast/pacers/index.ts';
import { mix, mixFloat } from '../basics/random/index.ts';
import { isBout, resolveLevel } from '../forecast/trials/index.ts';

/** Hashes of a number of bouts, turn by turn, over the levels of the demo that bouts decide and all pacers in turn. */
export function boutHashes(count: number): number[] {
  const project = homeBeforeDusk();
  const worlds = project.slots
    .map((_, index) => resolveLevel(project, index + 1))
    .filter(isBout)
    .map((level: PreparedBoutLevel) => makeBoutLevelWorld(level));
  const { pacers } = project;
  return Array.from({ length: count }, (_, seed) => {
    const state = startBoutAttempt(worlds[seed % worlds.length]!, seed);
    const choose = choosing(boutMind(drawPlayer(pacers[seed % pacers.length]!, seed), seed));
    let hash = 0;
    while (state.phase === 'playing')
      goOnAttempt(state, choose, ({ actor, action, struck }) => {
        hash = mix(mix(hash, actor), action ?? -1);
        for (const { target, strength, spread, left } of struck)
          for (const number of [target, strength, spread, left]) hash = mixFloat(hash, number);
      });
    return mix(mix(hash, state.verdicts.stars), state.ticks);
  });
}
