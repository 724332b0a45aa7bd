import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import {
  differenceOf,
  histogram,
  inverseOf,
  logisticFit,
  pairedDifference,
  quantile,
  wilson,
  linearAt,
  linearFit,
} from './index.ts';

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

describe('the difference of two shares', () => {
  // Newcombe (1998), table II, method 10: contrasts (a) and (b), and two with zeros.
  it.each([
    [56, 70, 48, 80, 0.2, 0.0524, 0.3339],
    [9, 10, 3, 10, 0.6, 0.1705, 0.809],
    [10, 10, 0, 10, 1, 0.6075, 1],
    [0, 10, 0, 10, 0, -0.2775, 0.2775],
  ])('%d of %d against %d of %d is %d (%d to %d)', (b, n, a, m, difference, low, high) => {
    const found = differenceOf({ successes: a, trials: m }, { successes: b, trials: n });
    expect(found.difference).toBeCloseTo(difference, 12);
    expect(found.low).toBeCloseTo(low, 4);
    expect(found.high).toBeCloseTo(high, 4);
  });

  it('says nothing where nothing was tried', () => {
    const { low, high } = differenceOf({ successes: 0, trials: 0 }, { successes: 5, trials: 10 });
    expect(low).toBeLessThan(-0.4);
    expect(high).toBeGreaterThan(0.4);
  });
});

describe('logistic regression', () => {
  const share = (x: number): number => 1 / (1 + Math.exp(-x));

  it('finds the published answer for hours of study', () => {
    // Twenty students: hours of study and whether they passed. The published fit: constant −4.0777, 1.5046 per hour,
    // standard errors 1.7610 and 0.6287.
    const hours = [0.5, 0.75, 1, 1.25, 1.5, 1.75, 1.75, 2, 2.25, 2.5, 2.75, 3, 3.25, 3.5, 4, 4.25, 4.5, 4.75, 5, 5.5];
    const passed = [0, 0, 0, 0, 0, 0, 1, 0, 1, 0, 1, 0, 1, 0, 1, 1, 1, 1, 1, 1].map((one) => one === 1);
    const fit = logisticFit(
      hours.map((hour) => [hour]),
      passed,
      share,
    );
    expect(fit.settled).toBe(true);
    expect(fit.coefficients[0]).toBeCloseTo(-4.0777, 3);
    expect(fit.coefficients[1]).toBeCloseTo(1.5046, 3);
    expect(Math.sqrt(fit.covariance[0]![0]!)).toBeCloseTo(1.761, 3);
    expect(Math.sqrt(fit.covariance[1]![1]!)).toBeCloseTo(0.6287, 3);
  });

  it('says the same of counts as of single outcomes', () => {
    const single = logisticFit(
      [[0], [0], [0], [1], [1], [1], [1]],
      [true, false, false, true, true, true, false],
      share,
    );
    const counts = [
      { successes: 1, trials: 3 },
      { successes: 3, trials: 4 },
    ];
    const counted = logisticFit([[0], [1]], counts, share);
    expect(counted.settled).toBe(true);
    counted.coefficients.forEach((value, i) => expect(value).toBeCloseTo(single.coefficients[i]!, 9));
    counted.covariance.flat().forEach((value, i) => expect(value).toBeCloseTo(single.covariance.flat()[i]!, 9));
  });

  it('comes nearer to 0 the more strongly it is held there', () => {
    const slopes = [0, 1, 100].map(
      (held) =>
        logisticFit(
          [[0], [1]],
          [
            { successes: 1, trials: 10 },
            { successes: 9, trials: 10 },
          ],
          share,
          [0, held],
        ).coefficients[1]!,
    );
    expect(slopes[0]).toBeGreaterThan(slopes[1]!);
    expect(slopes[1]).toBeGreaterThan(slopes[2]!);
    expect(slopes[2]).toBeGreaterThan(0);
  });

  it('does not settle where a column splits the outcomes cleanly, or where a column never changes', () => {
    expect(logisticFit([[1], [2], [3], [4]], [false, false, true, true], share).settled).toBe(false);
    expect(logisticFit([[1], [1], [1]], [false, true, true], share).settled).toBe(false);
  });
});

describe('an inverse', () => {
  it('takes its matrix back to one', () => {
    expect(
      inverseOf([
        [2, 1],
        [1, 3],
      ]),
    ).toEqual([
      [expect.closeTo(0.6, 12), expect.closeTo(-0.2, 12)],
      [expect.closeTo(-0.2, 12), expect.closeTo(0.4, 12)],
    ]);
    expect(
      inverseOf([
        [1, 2],
        [2, 4],
      ]),
    ).toBeUndefined();
  });
});

describe('the difference of two shares of the same cases', () => {
  /** Cases by how they came out: alike, lost, gained. */
  const cases = (both: number, lost: number, gained: number, neither: number): [boolean[], boolean[]] => {
    const of = (...counts: [boolean, number][]): boolean[] =>
      counts.flatMap(([value, count]) => new Array<boolean>(count).fill(value));
    return [
      of([true, both + lost], [false, gained + neither]),
      of([true, both], [false, lost], [true, gained], [false, neither]),
    ];
  };

  it('is that of the published approval of a prime minister', () => {
    // Agresti (2002), Categorical Data Analysis, table 10.1: 794, 150, 86, 570 of 1,600. Published: −0.04, standard error
    // 0.0095, from −0.06 to −0.02; the cells' halves move the ends by less than 0.0005.
    const { difference, low, high } = pairedDifference(...cases(794, 150, 86, 570));
    expect(difference).toBeCloseTo(-0.04, 12);
    expect(low).toBeCloseTo(-0.0587, 3);
    expect(high).toBeCloseTo(-0.0213, 3);
  });

  it('is narrower than that of independent cases where most are alike', () => {
    const pair = cases(500, 10, 30, 460);
    const paired = pairedDifference(...pair);
    const apart = differenceOf({ successes: 510, trials: 1000 }, { successes: 530, trials: 1000 });
    expect(paired.difference).toBeCloseTo(apart.difference, 12);
    expect(paired.high - paired.low).toBeLessThan((apart.high - apart.low) / 3);
  });

  it('goes by the cases that both have, and says nothing of none', () => {
    expect(pairedDifference([true, false, false], [true, true]).difference).toBe(0.5);
    expect(pairedDifference([], [true])).toEqual({ difference: 0, low: -1, high: 1 });
  });
});

describe('least squares', () => {
  const rows = Array.from({ length: 40 }, (_, i) => [i % 7, (i * i) % 11]);

  it('find the line that was drawn', () => {
    const fit = linearFit(
      rows,
      rows.map(([a, b]) => 3 + 2 * a! - 0.5 * b!),
    );
    expect(fit.map((value) => Math.round(value * 1000) / 1000)).toEqual([3, 2, -0.5]);
    expect(linearAt(fit, [1, 2])).toBeCloseTo(4, 3);
  });

  it('say the mean where nothing varies', () => {
    const fit = linearFit([[1], [1], [1]], [2, 4, 6]);
    expect(linearAt(fit, [1])).toBeCloseTo(4, 3);
  });
});
