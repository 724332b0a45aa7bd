import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { roundToMultiple, roundWithin } from './round.ts';

describe('rounding to a multiple', () => {
  it.each([
    [1.075, 0.05, 1.1],
    [2.5, 1, 3],
    [-2.5, 1, -3],
    [0.1 * 3, 0.1, 0.3],
    [1000000000, 1, 1000000000],
    [1e8 + 0.3, 1, 1e8],
    [123456789.4, 1, 123456789],
    [1e7 + 0.49, 1, 1e7],
    [1e7 + 0.5, 1, 1e7 + 1],
  ])('%d to %d is %d', (value, multiple, expected) => {
    expect(roundToMultiple(value, multiple)).toBe(expected);
  });

  it('is right to half a multiple and a millionth, however large the value', () => {
    const value = fc.double({ min: -1e9, max: 1e9, noNaN: true });
    fc.assert(
      fc.property(value, fc.constantFrom(0.05, 0.1, 0.25, 1, 5, 10, 60), (given, multiple) => {
        expect(Math.abs(roundToMultiple(given, multiple) - given)).toBeLessThanOrEqual(multiple * (0.5 + 1.1e-6));
      }),
    );
  });

  it.each([
    [2.63, 0.05, Number.NEGATIVE_INFINITY, 2.63, 2.6],
    [2.63, 0.05, 2.63, 9, 2.65],
    [2.62, 0.05, 2.61, 2.63, 2.62],
    [2.7, 0.05, 0, 2.7, 2.7],
    [-2.63, 0.05, -2.63, 0, -2.6],
  ])('%d to %d between %d and %d is %d', (value, multiple, low, high, expected) => {
    expect(roundWithin(value, multiple, low, high)).toBe(expected);
  });
});
