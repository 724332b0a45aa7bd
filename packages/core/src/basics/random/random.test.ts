import { describe, expect, it } from '@jest/globals';
import { drawAt, makeStream, mixFloat } from './index.ts';

describe('drawAt', () => {
  it('gives the same number at the same address and another elsewhere', () => {
    expect(drawAt(7, 3, 1)).toBe(drawAt(7, 3, 1));
    expect(new Set([drawAt(7, 3, 1), drawAt(8, 3, 1), drawAt(7, 4, 1), drawAt(7, 3, 2)]).size).toBe(4);
  });

  it('is spread evenly over 0 to 1', () => {
    const tenths = new Array<number>(10).fill(0);
    for (let i = 0; i < 20000; i++) tenths[Math.floor(drawAt(1, i, 0) * 10)]!++;
    // Chi-square with 9 degrees of freedom: 27.88 is the 99.9 % point.
    const chi = tenths.reduce((sum, n) => sum + (n - 2000) ** 2 / 2000, 0);
    expect(chi).toBeLessThan(27.88);
  });
});

describe('makeStream', () => {
  it('repeats itself for the same seed and purpose only', () => {
    const draws = (seed: number, purpose: number) => {
      const stream = makeStream(seed, purpose);
      return [stream.next(), stream.next(), stream.nextBell()];
    };
    expect(draws(1, 1)).toEqual(draws(1, 1));
    expect(draws(1, 2)).not.toEqual(draws(1, 1));
  });

  it('has a bell of mean 0 and deviation 1', () => {
    const stream = makeStream(5, 0);
    let sum = 0;
    let squares = 0;
    for (let i = 0; i < 20000; i++) {
      const value = stream.nextBell();
      sum += value;
      squares += value * value;
    }
    expect(Math.abs(sum / 20000)).toBeLessThan(0.03);
    expect(Math.abs(squares / 20000 - 1)).toBeLessThan(0.04);
  });
});

describe('mixFloat', () => {
  it('sees the last bit', () => {
    expect(mixFloat(1, 0.1 + 0.2)).not.toBe(mixFloat(1, 0.3));
  });
});
