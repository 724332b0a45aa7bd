import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '../../exchange/demo/index.ts';
import { prepareLevel } from '../../play/movement/index.ts';
import { Ways } from './index.ts';

describe('ways over a ground', () => {
  const demo = homeBeforeDusk();
  const level = prepareLevel(demo, 1);
  const steady = demo.pacers[1]!;
  const width = level.motion.rows[0]!.length;

  it('all begin at the start, pass no wall, and are the same when played again', () => {
    const ways = new Ways(level);
    ways.play(steady, 12);
    const again = new Ways(level);
    again.play(steady, 5);
    again.play(steady, 7);
    expect(ways.passes).toEqual(again.passes);
    expect(ways.passes[2 * width + 3]).toBe(1);
    ways.passes.forEach((share, cell) => {
      if (level.motion.rows[Math.floor(cell / width)]?.[cell % width] === '#') expect(share).toBe(0);
    });
  });

  it('the fastest is a win, from the start on', () => {
    const ways = new Ways(level);
    for (let attempt = 0; attempt < 4; attempt++) ways.tryFastest(attempt);
    const { points, seconds } = ways.fastest!;
    expect(points.slice(0, 2)).toEqual([3.5, 2.5]);
    expect(seconds).toBeGreaterThan(3);
    expect(seconds).toBeLessThan(60);
    expect(Math.abs(points.length / 2 - seconds * 10)).toBeLessThan(3);
  });
});
