import { describe, expect, it } from '@jest/globals';
import { makeStream } from '../../basics/random/index.ts';
import { wilson } from '../../basics/stats/index.ts';
import { DEFAULT_PRECISION, isPreciseEnough, LOOKED_AT_EVERY } from './index.ts';

const STREAMS = 4000;

/** How often the interval holds the true rate, where trials stop once it is narrow enough. */
function coverage(rate: number): { held: number; attempts: number } {
  const stream = makeStream(Math.round(rate * 1000), 11);
  let [held, attempts] = [0, 0];
  for (let i = 0; i < STREAMS; i++) {
    const tally = { attempts: 0, cleared: 0 };
    while (!isPreciseEnough(tally, DEFAULT_PRECISION)) {
      for (let k = 0; k < LOOKED_AT_EVERY; k++) if (stream.next() < rate) tally.cleared++;
      tally.attempts += LOOKED_AT_EVERY;
    }
    const { low, high } = wilson(tally.cleared, tally.attempts);
    if (low <= rate && rate <= high) held++;
    attempts += tally.attempts;
  }
  return { held: held / STREAMS, attempts: attempts / STREAMS };
}

describe('the 95 % interval of trials that stop by themselves', () => {
  it.each([0.02, 0.05, 0.1, 0.2, 0.35, 0.5, 0.65, 0.8, 0.9, 0.95, 0.98, 0.99])(
    'holds a clear rate of %d in at least 94 of 100 cases',
    (rate) => {
      const { held, attempts } = coverage(rate);
      // With 4,000 streams, a coverage of 94 % cannot be told from slightly less.
      expect(held).toBeGreaterThan(0.936);
      expect(attempts).toBeLessThanOrEqual(DEFAULT_PRECISION.limit);
    },
  );
});
