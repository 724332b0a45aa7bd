import { describe, expect, it } from '@jest/globals';
import { wilson } from '../../basics/stats/index.ts';
import { attemptsNeeded, DEFAULT_PRECISION, mixForecasts, type Mixed } from './index.ts';

const forecast = (cleared: number, attempts: number, medianSeconds: number): Mixed => ({
  ...{ attempts, clearRate: cleared / attempts, interval: wilson(cleared, attempts), medianSeconds },
  stars: [0, 0, cleared, 0, 0, 0],
});

describe('an audience', () => {
  it('clears as often as its parts by their shares, with an interval narrower than each of theirs', () => {
    const [one, other] = [forecast(300, 400, 20), forecast(100, 400, 40)];
    const mixed = mixForecasts([
      { share: 0.5, forecast: one },
      { share: 0.5, forecast: other },
    ]);
    expect(mixed.clearRate).toBe(0.5);
    expect(mixed.interval.high - mixed.interval.low).toBeLessThan(one.interval.high - one.interval.low);
    expect(mixed.triesToClear).toBeCloseTo(0.5 / 0.75 + 0.5 / 0.25, 9);
    // Three of four who clear it are of the first kind.
    expect(mixed.medianSeconds).toBe(25);
    expect(mixed.stars[2]).toBe(0.5);
  });

  it('of one is that one; those without a share count nothing', () => {
    const one = forecast(300, 400, 20);
    const mixed = mixForecasts([
      { share: 1, forecast: one },
      { share: 0, forecast: forecast(0, 400, 0) },
    ]);
    expect(mixed.clearRate).toBe(0.75);
    expect(mixed.interval.low).toBeCloseTo(one.interval.low, 9);
    expect(mixed.triesToClear).toBeCloseTo(4 / 3, 9);
  });

  it('never clears a level that a part of it never clears', () => {
    const parts = [forecast(300, 400, 20), forecast(0, 400, 0)].map((each) => ({ share: 0.5, forecast: each }));
    expect(mixForecasts(parts).triesToClear).toBeNull();
  });
});

describe('attempts that a clear rate takes', () => {
  it.each([
    [0.5, 1067],
    [0.9, 384],
    [0.99, 240],
    [0, 240],
  ])('of %d are about %d', (clearRate, needed) => {
    expect(Math.round(attemptsNeeded(clearRate, DEFAULT_PRECISION))).toBe(needed);
  });
});
