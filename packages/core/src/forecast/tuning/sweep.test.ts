import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '../../exchange/demo/index.ts';
import { batchPlayer, smoothedRates, sweepOver, sweptValues } from './index.ts';

describe('a sweep', () => {
  const demo = homeBeforeDusk();
  const play = batchPlayer(demo, demo.pacers[1]!);

  it('tries every value at every slot in turn, alike often', () => {
    const sweep = sweepOver(demo, {
      axes: [{ key: 'clock', values: [15, 20, 48] }],
      positions: [1, 4],
    });
    for (let i = 0; i < 2; i++) sweep.take(sweep.due().map(play));
    const { points, least } = sweep.read();
    expect(least).toBe(20);
    expect(points.map(({ position, at }) => [position, ...at])).toEqual([
      ...[0, 1, 2].map((at) => [1, at]),
      ...[0, 1, 2].map((at) => [4, at]),
    ]);
    // With more time at least as many come through.
    expect(points[2]!.cleared).toBeGreaterThan(points[0]!.cleared);
  }, 60_000);

  it('crosses two parameters', () => {
    const values = sweptValues(1, 3, 3, true);
    const sweep = sweepOver(demo, {
      axes: [
        { key: 'hornetSpeed', values: [1, 2] },
        { key: 'beetles', values },
      ],
      positions: [4],
    });
    expect(sweep.read().points).toHaveLength(6);
    expect(sweep.read().least).toBe(0);
  });

  it('is smoothed by what lies near, with bands that hold the true line', () => {
    const values = sweptValues(0, 10, 11, false);
    const points = values.map((value, at) => ({
      position: 1,
      at: [at],
      attempts: 200,
      cleared: Math.round(200 * (1 - value / 12)),
    }));
    const smooth = smoothedRates(points, values);
    expect(smooth.map(({ value }) => value)).toEqual(values);
    smooth.forEach(({ value, share, interval }) => {
      expect(Math.abs(share - (1 - value / 12))).toBeLessThan(0.04);
      expect(interval.high - interval.low).toBeLessThan(0.16);
    });
  });

  it('offers whole values where only those are meant', () => {
    expect(sweptValues(0, 3, 9, true)).toEqual([0, 1, 2, 3]);
    expect(sweptValues(0, 1, 3, false)).toEqual([0, 0.5, 1]);
  });
});
