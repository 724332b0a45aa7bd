import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '@stadion/core/exchange/demo';
import { rowWith } from '@stadion/core/document/ramps';
import fc from 'fast-check';
import { derivationInWords, handyValue, lanePoint, laneScale } from './scale.ts';
import { laneInWords, rampInWords, sayValue } from './words.ts';

const project = homeBeforeDusk();
const row = rowWith(project, project.parameters[0]!);
const [speed, , needed, clock] = project.parameters as [
  (typeof project.parameters)[number],
  unknown,
  (typeof project.parameters)[number],
  (typeof project.parameters)[number],
];

describe('a lane', () => {
  it('holds every value, the cap and the floor', () => {
    const scale = laneScale([2, 2.6], { ...speed.ramp, atMost: 2.7, atLeast: 1.5 }, 14, 134);
    for (const value of [1.5, 2, 2.7]) {
      expect(scale.y(value)).toBeGreaterThan(14);
      expect(scale.y(value)).toBeLessThan(134);
    }
    expect(scale.y(2.7)).toBeLessThan(scale.y(2));
  });

  it('reads back from a place what stands there', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -50, max: 50, noNaN: true }),
        fc.double({ min: -50, max: 50, noNaN: true }),
        (a, b) => {
          const scale = laneScale([a, b], { shape: { type: 'hold', value: a } }, 14, 134);
          expect(scale.valueAt(scale.y(a))).toBeCloseTo(a, 9);
        },
      ),
    );
  });

  it('of a single value still has a height', () => {
    expect(laneScale([5], { shape: { type: 'hold', value: 5 } }, 14, 134).y(5)).toBeCloseTo(74, 9);
    expect(laneScale([], { shape: { type: 'hold', value: 5 } }, 14, 134).low).toBeLessThan(0);
  });
});

describe('a dragged value is easy to say', () => {
  const scale = laneScale([2, 2.7], speed.ramp, 14, 134);
  it.each([
    ['to the ramp’s own multiple', 2.337, speed, 2.35],
    ['to whole seconds', 43.4, clock, 43],
    ['to hundredths of a share', 0.5512, needed, 0.55],
  ])('%s', (_case, value, parameter, expected) => {
    expect(handyValue(value, parameter, scale)).toBe(expected);
  });

  it('to a step that suits the lane where the ramp is not rounded', () => {
    const free = { ...speed, ramp: { shape: speed.ramp.shape } };
    expect(handyValue(123.4, free, laneScale([0, 900], free.ramp, 14, 134))).toBe(120);
  });
});

describe('a point', () => {
  it('tells the pin from the ramp', () => {
    expect(lanePoint(project.slots, speed, row, 7)).toEqual({
      position: 7,
      slotId: 'slot-7',
      value: 2.55,
      ramp: 2.3,
      pinned: true,
    });
    expect(lanePoint(project.slots, speed, row, 8)).toMatchObject({ value: 2.3, pinned: false });
  });

  it('tells how its value came to be', () => {
    expect(derivationInWords(project, speed, 21, (value) => sayValue(speed, value))).toBe(
      'shape 3 → at most 2.7 2.7 → rounded 0.05 2.7 → pinned 2.5',
    );
  });
});

describe('in words', () => {
  it('a ramp is a sentence', () => {
    expect(rampInWords(speed)).toBe('from 2, +0.1 every 2 levels, at most 2.7');
    expect(rampInWords(clock)).toBe('from 48, −1 every 2 levels from level 3, at least 40');
    expect(rampInWords({ ...speed, ramp: { shape: { type: 'hold', value: 3 } } })).toBe('holds 3');
    expect(rampInWords(needed)).toContain('from 50, +5');
  });

  it('a lane tells its range, its bounds and its pins', () => {
    expect(laneInWords(speed, row)).toBe(
      'Hornet speed, units/s: from 2, +0.1 every 2 levels, at most 2.7; 2 to 2.9; cap reached at level 15; 4 pins',
    );
  });
});
