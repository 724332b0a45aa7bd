import { describe, expect, it } from '@jest/globals';
import { depth, hiveBout, groupOf, hiveBouts, randomBout, sampled } from '../../testing/index.ts';
import { boutTrials, type PreparedBout } from './index.ts';

/** The planning of Novice, Steady, Sharp and a player without mistakes. */
const PLANNING = [0, 0.4, 0.8, 1];

/** The share of bouts won, by planning. */
const sharesOf = (bout: PreparedBout, bouts: number): number[] =>
  PLANNING.map((planning) => {
    const trials = boutTrials(bout, () => ({ planning }));
    trials.play(bouts);
    return trials.read().won.share;
  });

/** Pairs of players in which the better one wins less often than noise explains. */
function outOfOrder(bout: PreparedBout, bouts: number): string[] {
  const shares = sharesOf(bout, bouts);
  const noise = (share: number): number => (share * (1 - share)) / bouts;
  return shares.flatMap((better, at) =>
    shares.slice(0, at).flatMap((worse, place) => {
      const margin = 3 * Math.sqrt(noise(better) + noise(worse)) + 1e-9;
      return better < worse - margin ? [`${PLANNING[at]} below ${PLANNING[place]}`] : [];
    }),
  );
}

describe('players who plan more', () => {
  it('win more often alone against three equal enemies with one action', () => {
    const bouts = hiveBouts();
    const bee = bouts.fighters.find(({ id }) => id === 'bee')!;
    bee.uses = { sting: { weight: 1 } };
    const bout = hiveBout(groupOf({ ant: 3 }), { bouts, party: ['bee'], level: 1 });
    bout.theirs = bout.theirs.map((ant) => ({ ...ant, statistics: ant.statistics.with(0, 22) }));
    const [novice, steady, sharp, perfect] = sharesOf(bout, depth(600, 300)) as [number, number, number, number];
    expect(novice).toBeGreaterThan(0.02);
    expect(sharp).toBeLessThan(0.98);
    expect(steady).toBeGreaterThan(novice);
    expect(sharp).toBeGreaterThan(steady - 0.03);
    expect(perfect).toBeGreaterThan(sharp - 0.03);
  });

  // All sixty are tried by `npm run check:pacers`.
  it.each(sampled([25, 32, 38, 57, 59], 3))('do not win less often in the random fight %i', (seed) => {
    expect(outOfOrder(randomBout(seed), 250)).toEqual([]);
  });

  it('end a fight by gauges also when its turns are not reported', () => {
    const bout = { ...hiveBout('two-ants'), order: 'gauges' as const };
    const trials = boutTrials(bout, () => ({ planning: 1 }));
    trials.play(20);
    expect(trials.read().ends.won).toBeGreaterThan(0);
  });
});
