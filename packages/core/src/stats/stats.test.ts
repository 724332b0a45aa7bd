import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { histogram, quantile, wilson } from './index.ts';

describe('wilson', () => {
  // Newcombe (1998), table I, method 3 (score without continuity correction).
  it.each([
    [81, 263, 0.2553, 0.3662],
    [15, 148, 0.0624, 0.1605],
    [0, 20, 0, 0.1611],
    [1, 29, 0.0061, 0.1718],
  ])('of %d in %d is the published %d to %d', (successes, trials, low, high) => {
    const interval = wilson(successes, trials);
    expect(interval.low).toBeCloseTo(low, 4);
    expect(interval.high).toBeCloseTo(high, 4);
  });

  it('knows nothing before the first trial', () => {
    expect(wilson(0, 0)).toEqual({ low: 0, high: 1 });
  });

  it('always holds the observed share and stays within 0 and 1', () => {
    fc.assert(
      fc.property(fc.nat(5000), fc.nat(5000), (a, b) => {
        const trials = Math.max(a, b, 1);
        const successes = Math.min(a, b);
        const { low, high } = wilson(successes, trials);
        expect(low).toBeGreaterThanOrEqual(0);
        expect(high).toBeLessThanOrEqual(1);
        expect(low).toBeLessThanOrEqual(successes / trials + 1e-12);
        expect(high).toBeGreaterThanOrEqual(successes / trials - 1e-12);
      }),
    );
  });
});

describe('quantile', () => {
  // R: quantile(c(15, 20, 35, 40, 50), c(0, .05, .3, .4, .5, 1))
  it.each([
    [0, 15],
    [0.05, 16],
    [0.3, 23],
    [0.4, 29],
    [0.5, 35],
    [1, 50],
  ])('at %d equals type 7: %d', (share, expected) => {
    expect(quantile([15, 20, 35, 40, 50], share)).toBeCloseTo(expected, 12);
  });

  it('of no values is NaN', () => {
    expect(quantile([], 0.5)).toBeNaN();
  });
});

describe('histogram', () => {
  it('puts the upper edge into the last bin and outliers into the end bins', () => {
    expect(histogram([0, 0.9, 1, 2, -5, 9], 0, 2, 2).counts).toEqual([3, 3]);
  });

  it('loses no value', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -10, max: 10, noNaN: true })),
        fc.integer({ min: 1, max: 30 }),
        (v, bins) => {
          expect(histogram(v, -5, 5, bins).counts.reduce((a, b) => a + b, 0)).toBe(v.length);
        },
      ),
    );
  });
});
