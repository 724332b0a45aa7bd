import { describe, expect, it } from '@jest/globals';
import type { Ramp, Shape } from '@stadion/core/document/model';
import { PLAIN } from '@stadion/core/document/ramps';
import { boundsOf, extentOf, niceAbove, ticksOf } from './liveAxis.ts';

const live = (shape: Shape): Ramp => ({ axis: 'score', shape });
const bands = [
  { id: 'a', name: 'A', from: 0 },
  { id: 'b', name: 'B', from: 900 },
];
const context = { ...PLAIN, axis: 'score' as const, first: 0 as const, bands };

describe('a lane along a reading', () => {
  it.each([
    [0.3, 1],
    [1, 1],
    [3, 5],
    [130, 200],
    [5001, 10_000],
  ])('reaches to a handy number: %d becomes %d', (value, expected) => {
    expect(niceAbove(value)).toBe(expected);
  });

  it.each<[string, Shape, number]>([
    ['as usual where nothing asks for more', { type: 'hold', value: 2 }, 200],
    ['past five steps', { type: 'steps', from: 1, add: 1, every: 100, startingAt: 50 }, 1000],
    ['past its last point', { type: 'points', between: 'hold', points: [{ position: 4000, value: 1 }] }, 5000],
    ['past its last tier', { type: 'tiers', first: 1, values: {} }, 2000],
    ['past an s-curve', { type: 'sCurve', from: 1, to: 2, middle: 300, width: 100 }, 500],
    ['past an ease', { type: 'ease', from: 1, to: 2, halfway: 30 }, 200],
  ])('reaches %s', (_what, shape, expected) => {
    expect(extentOf(live(shape), bands)).toBe(expected);
  });

  it('writes as many numbers as there is room for', () => {
    expect(ticksOf(500, 10)).toEqual([0, 50, 100, 150, 200, 250, 300, 350, 400, 450, 500]);
    expect(ticksOf(5, 20)).toEqual([0, 1, 2, 3, 4, 5]);
  });

  it.each<[string, Shape, number[]]>([
    ['steps', { type: 'steps', from: 1, add: 1, every: 100, startingAt: 50 }, [150, 250, 350, 450]],
    ['tiers', { type: 'tiers', first: 1, values: { b: 2 } }, [900]],
    [
      'held points',
      {
        type: 'points',
        between: 'hold',
        points: [
          { position: 0, value: 1 },
          { position: 40, value: 2 },
        ],
      },
      [40],
    ],
    ['a formula', { type: 'formula', text: 'if(reading >= 120, 3, 2) + if(reading > 130, 1, 0)' }, [120, 131]],
    ['nothing that moves all along', { type: 'ease', from: 1, to: 2, halfway: 30 }, []],
    ['nothing that never moves', { type: 'hold', value: 2 }, []],
  ])('finds the bounds of %s', (_what, shape, expected) => {
    expect(boundsOf({ ramp: live(shape), sane: { min: 0, max: 10 } }, context, 500)).toEqual(expected);
  });
});
