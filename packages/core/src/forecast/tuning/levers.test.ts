import { describe, expect, it } from '@jest/globals';
import { addToLever, alongLever, crossingsOf, nextPlace, type Lever } from './levers.ts';

const lever = (low: number, high: number): Lever => ({ low, high, points: [] });

/** Looks along a lever until there is nothing left to look at. @returns the places, in order */
function look(of: Lever, wanted: number, rate: (steps: number) => number): number[] {
  const places: number[] = [];
  addToLever(of, 0, Math.round(rate(0) * 20), 20);
  for (let at = nextPlace(of, wanted); at !== undefined && places.length < 20; at = nextPlace(of, wanted)) {
    places.push(at);
    addToLever(of, at, Math.round(rate(at) * 20), 20);
  }
  return places;
}

describe('a lever', () => {
  it('is looked at from its ends, so that a flat stretch hides nothing', () => {
    const of = lever(-40, 10);
    const places = look(of, 0.5, (steps) => (steps < -23 ? 0 : 1));
    expect(places.slice(0, 2)).toEqual([-40, 10]);
    const [[from, to] = [0, 0]] = crossingsOf(of, 0.5);
    expect(from).toBeLessThan(-23);
    expect(to).toBeGreaterThanOrEqual(-23);
    expect(to - from).toBeLessThanOrEqual(2);
  });

  it.each([
    ['that changes nothing is looked at at its ends only', 0.9, [-8, 8]],
    ['whose end is where it stands is not looked at twice', 0.9, [8]],
  ])('%s', (_case, wanted, expected) => {
    expect(look(lever(expected.length === 1 ? 0 : -8, 8), wanted, () => 1)).toEqual(expected);
  });

  it('tells the nearest of several crossings first', () => {
    const of = lever(-20, 20);
    for (const [at, won] of [
      [-20, 0],
      [-10, 20],
      [0, 20],
      [5, 20],
      [8, 2],
    ] as const)
      addToLever(of, at, won, 20);
    expect(crossingsOf(of, 0.6)).toEqual([
      [5, 8],
      [-20, -10],
    ]);
  });

  it('is straight between places in log odds, and level beyond', () => {
    const of = lever(-10, 10);
    addToLever(of, 0, 20, 40);
    addToLever(of, 10, 2, 20);
    addToLever(of, -10, 18, 20);
    expect(alongLever(of, 0)).toBe(0);
    expect(alongLever(of, 5)).toBeCloseTo(alongLever(of, 10) / 2, 10);
    expect(alongLever(of, -5)).toBeCloseTo(-alongLever(of, 5), 10);
    expect(alongLever(of, 10)).toBeLessThan(-1.5);
    expect(alongLever(of, 30)).toBe(alongLever(of, 10));
    expect(alongLever(lever(0, 1), 1)).toBe(0);
  });

  it('takes for no difference what may be chance', () => {
    const of = lever(-10, 10);
    addToLever(of, 0, 37, 40);
    addToLever(of, 10, 10, 12);
    expect(alongLever(of, 10)).toBe(0);
    addToLever(of, 10, 20, 48);
    expect(alongLever(of, 10)).toBeLessThan(-1);
  });

  it('adds up what is tried at the same place twice', () => {
    const of = lever(-1, 1);
    addToLever(of, 0, 3, 10);
    addToLever(of, 0, 4, 10);
    expect(of.points).toEqual([expect.objectContaining({ steps: 0, successes: 7, trials: 20 })]);
  });
});
