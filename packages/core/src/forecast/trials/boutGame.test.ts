import { describe, expect, it } from '@jest/globals';
import { attemptByHand, makeBoutLevelWorld, type PreparedBoutLevel } from '../../play/bouts/index.ts';
import { homeBeforeDusk } from '../../exchange/demo/index.ts';
import { everyPacer } from '../pacers/index.ts';
import { resolveLevel, levelRunner, recordedChoices, seedOf } from './index.ts';

describe('an attempt at a bout, to be watched', () => {
  it.each(['rounds', 'gauges'] as const)('goes by hand as the pacer played it, in %s', (order) => {
    const project = homeBeforeDusk();
    project.bouts!.order = order;
    for (const position of [3, 10, 14, 23]) {
      const level = resolveLevel(project, position) as PreparedBoutLevel;
      const world = makeBoutLevelWorld(level);
      for (const pacer of everyPacer(project))
        for (let number = 0; number < 8; number++) {
          const seed = seedOf(number);
          const { attempt, asks } = attemptByHand(world, seed, recordedChoices(level, pacer, seed));
          const { won, length, rounds } = levelRunner(level).play(pacer, seed);
          expect(asks).toBe(null);
          expect([attempt.phase === 'won', attempt.ticks, attempt.observed.rounds]).toEqual([won, length, rounds]);
        }
    }
  });
});
