import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '../../exchange/demo/index.ts';
import type { Counted } from '../../basics/stats/index.ts';
import { valuesAt } from '../../document/ramps/index.ts';
import { answered, batchPlayer, moversOf, type Batch } from './index.ts';
import { statistic } from '../../testing/statistic.ts';

/** Attempts, in multiples of a round. */
const TRIED = 1800;
const steady = homeBeforeDusk().pacers[1]!;

describe('what moves a level', () => {
  it('asks only the parameters that act there', () => {
    const project = homeBeforeDusk();
    // No beetle stands at level 13: what a level does not have cannot move it.
    expect(moversOf(project, 13).read().keys).toContain('hornetSpeed');
    const clock = project.levels[project.slots[12]!.levelId]!.clock;
    clock.limitSeconds = null;
    expect(moversOf(project, 13).read().keys).not.toContain('clock');
  });

  it('finds the effect of one step, and ranks the parameters by size', () => {
    const demo = homeBeforeDusk();
    const [before, step] = [valuesAt(demo, 13)['hornetSpeed']!, 0.1];
    // Every unit of speed takes the odds down by a factor of e.
    const made = ({ values, count }: Batch): Counted => ({
      successes: count / (1 + Math.exp((values['hornetSpeed'] ?? 0) - before)),
      trials: count,
    });
    const { movers } = answered(moversOf(demo, 13, 600), made);
    const speed = movers.find(({ key }) => key === 'hornetSpeed')!;
    expect(speed.effect / speed.step).toBeCloseTo(-0.25, 1);
    expect(speed.step).toBeCloseTo(step, 0);
    expect(movers[0]).toBe(speed);
  });

  statistic(
    'finds that faster hornets are harder, surely, and ranks them by size',
    () => {
      const demo = homeBeforeDusk();
      const { attempts, cleared, movers } = answered(moversOf(demo, 13, TRIED), batchPlayer(demo, steady));
      expect(attempts).toBe(TRIED);
      expect(cleared).toBeGreaterThan(0.13 * TRIED);
      expect(cleared).toBeLessThan(0.95 * TRIED);
      const speed = movers.find(({ key }) => key === 'hornetSpeed')!;
      expect(speed.effect).toBeLessThan(-0.02);
      expect(speed.interval.high).toBeLessThan(0);
      expect(movers.map(({ effect }) => Math.abs(effect))).toEqual(
        movers.map(({ effect }) => Math.abs(effect)).toSorted((a, b) => b - a),
      );
    },
    60_000,
  );

  it('says nothing where everybody clears it', () => {
    const project = homeBeforeDusk();
    const level = project.levels[project.slots[12]!.levelId]!;
    level.ground.pieces = level.ground.pieces.filter((piece) => piece.piece !== 'enemy' && piece.piece !== 'spawner');
    level.clock.limitSeconds = null;
    project.player.health = { from: 'number', value: 1e5 };
    expect(answered(moversOf(project, 13, 6), batchPlayer(project, steady)).movers).toEqual([]);
  }, 60_000);

  it('gives the same answer again', () => {
    const demo = homeBeforeDusk();
    const [one, two] = [1, 2].map(() => answered(moversOf(demo, 9, 24), batchPlayer(demo, steady)));
    expect(two).toEqual(one);
  }, 60_000);
});
