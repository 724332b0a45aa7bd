import { describe, expect, it } from '@jest/globals';
import { parFrom, thresholdFor } from './index.ts';

const upTo = (count: number, step = 1): number[] => Array.from({ length: count }, (_, index) => (index + 1) * step);

describe('a threshold from a share', () => {
  it('is met by the best of those who clear it, upwards and downwards', () => {
    expect(thresholdFor(upTo(100), 'timeLeft', 'atLeast', 0.15)).toEqual({ threshold: 86, share: 0.15 });
    expect(thresholdFor(upTo(100), 'timeElapsed', 'atMost', 0.15)).toEqual({ threshold: 15, share: 0.15 });
  });

  it('is a number that people read', () => {
    expect(thresholdFor(upTo(100, 0.37), 'timeLeft', 'atLeast', 0.5)!.threshold % 1).toBe(0);
    expect(thresholdFor(upTo(100, 7.3), 'score', 'atLeast', 0.5)!.threshold % 10).toBe(0);
    expect(thresholdFor(upTo(100, 1.3), 'worth', 'atLeast', 0.5)!.threshold % 5).toBe(0);
    expect(thresholdFor(upTo(100, 1), 'health', 'atLeast', 0.33)!.threshold % 5).toBe(0);
  });

  it('tells who meets it where whole numbers cannot meet the share', () => {
    const lives = [...Array.from({ length: 60 }, () => 4), ...Array.from({ length: 40 }, () => 3)];
    expect(thresholdFor(lives, 'lives', 'atLeast', 0.15)).toEqual({ threshold: 4, share: 0.6 });
  });

  it('is none where nobody cleared the level', () => {
    expect(thresholdFor([], 'score', 'atLeast', 0.5)).toBeUndefined();
  });
});

describe('par', () => {
  it('is the best time or the median, in whole seconds', () => {
    expect([parFrom([21.2, 18.4, 30], 'best'), parFrom([21.2, 18.4, 30], 'median')]).toEqual([19, 22]);
    expect(parFrom([], 'best')).toBeUndefined();
  });
});
