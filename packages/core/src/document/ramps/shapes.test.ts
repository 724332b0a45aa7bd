import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { Ramp, type Parameter, type Shape } from '../model/index.ts';
import { deriveValue, PLAIN, exp, exp2, powerOf, rampValue, rootOf, shapeDefinition, SHAPES } from './index.ts';

const sane = { min: 0, max: 10 };
const at = (ramp: Ramp, position: number): number => rampValue({ ramp, sane }, position);
const value = (shape: Shape, position: number): number => at({ shape }, position);

describe('powers without the engine’s own', () => {
  // Published values: NIST Digital Library of Mathematical Functions, § 4.2, and e to 15 digits.
  it.each([
    [0, 1],
    [1, 2.718281828459045],
    [-1, 0.36787944117144233],
    [0.5, 1.6487212707001282],
    [2, 7.38905609893065],
    [-4, 0.01831563888873418],
    [10, 22026.465794806718],
  ])('e^%d is %d', (x, expected) => {
    expect(Math.abs(exp(x) / expected - 1)).toBeLessThan(1e-12);
  });

  it('2^x is exact for whole x and right to 1e-13 between', () => {
    for (let x = -60; x <= 60; x++) expect(exp2(x)).toBe(2 ** x);
    fc.assert(
      fc.property(fc.double({ min: -50, max: 50, noNaN: true }), (x) => {
        expect(Math.abs(exp2(x) / 2 ** x - 1)).toBeLessThan(1e-13);
      }),
    );
  });

  it.each([
    [1.05, 10, 1.628894626777442],
    [0.9, 3, 0.729],
    [2, -3, 0.125],
    [7, 0, 1],
  ])('%d to the %d is %d', (base, exponent, expected) => {
    expect(powerOf(base, exponent)).toBeCloseTo(expected, 12);
  });

  it('a root undoes a power', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 5, noNaN: true }), fc.integer({ min: 1, max: 40 }), (base, root) => {
        expect(Math.abs(rootOf(powerOf(base, root), root) / base - 1)).toBeLessThan(1e-9);
      }),
    );
  });
});

describe('growth', () => {
  const shape: Shape = { type: 'growth', from: 2, rate: 0.1, every: 2, startingAt: 3 };
  // Computed by hand: k = ⌊max(0, n − 3) / 2⌋: n ≤ 4 → 0; 5 → 1: 2.2; 7 → 2: 2.42; 9 → 3: 2.662.
  it.each([
    [1, 2],
    [4, 2],
    [5, 2.2],
    [6, 2.2],
    [7, 2.42],
    [9, 2.662],
  ])('at position %d is %d', (position, expected) => {
    expect(value(shape, position)).toBeCloseTo(expected, 12);
  });

  it('shrinks by a rate below 0', () => {
    // 60 × 0.9³ = 43.74
    expect(value({ type: 'growth', from: 60, rate: -0.1, every: 1, startingAt: 1 }, 4)).toBeCloseTo(43.74, 12);
  });
});

describe('ease', () => {
  const shape: Shape = { type: 'ease', from: 1, to: 9, halfway: 4 };
  // Computed by hand: 9 − 8 × 2^(−(n − 1) / 4): n = 1 → 1; 5 → 5; 9 → 7; 13 → 8; 3 → 9 − 8 / √2 = 3.34314575…
  it.each([
    [1, 1],
    [3, 9 - 8 / Math.SQRT2],
    [5, 5],
    [9, 7],
    [13, 8],
  ])('at position %d is %d', (position, expected) => {
    expect(value(shape, position)).toBeCloseTo(expected, 12);
  });

  it('never passes where it goes', () => {
    for (let position = 1; position <= 1000; position++) expect(value(shape, position)).toBeLessThanOrEqual(9);
  });
});

describe('an s-curve', () => {
  const shape: Shape = { type: 'sCurve', from: 2, to: 10, middle: 12, width: 8 };
  // Computed by hand: 2 + 8 / (1 + e^(−(n − 12) / 2)): at 12 half the way; at 14 e^−1: 2 + 8 / 1.36787944… = 7.848468629…
  it.each([
    [12, 6],
    [14, 2 + 8 / 1.3678794411714423],
    [10, 2 + 8 / 3.718281828459045],
  ])('at position %d is %d', (position, expected) => {
    expect(value(shape, position)).toBeCloseTo(expected, 12);
  });

  it('is as far from its ends on both sides of the middle', () => {
    for (let d = 1; d < 20; d++) expect(value(shape, 12 + d) - 2).toBeCloseTo(10 - value(shape, 12 - d), 10);
  });
});

describe('points', () => {
  const through = (between: 'hold' | 'straight' | 'smooth'): Shape => ({
    type: 'points',
    between,
    points: [
      { position: 2, value: 10 },
      { position: 6, value: 18 },
      { position: 8, value: 18 },
      { position: 12, value: 6 },
    ],
  });
  it.each([
    // RangeEditResult: the point before. Straight: 10 + 8 × 2 / 4 at 4, 18 − 12 × 1 / 4 at 9. Before the first and after the last: held.
    ['hold', [10, 10, 10, 18, 18, 18, 6, 6]],
    ['straight', [10, 10, 14, 18, 18, 15, 6, 6]],
  ] as const)('%s', (between, expected) => {
    expect([1, 2, 4, 6, 7, 9, 12, 20].map((position) => value(through(between), position))).toEqual(expected);
  });

  it('smooth: half way between two flat tangents is the middle', () => {
    // Every inner point of these has a flat side or turns: all tangents are 0, so that the cubic is 3t² − 2t³.
    const smooth = (position: number) => value(through('smooth'), position);
    expect(smooth(4)).toBeCloseTo(14, 12);
    // t = 1/4: 3/16 − 2/64 = 5/32: 18 − 12 × 5/32
    expect(smooth(9)).toBeCloseTo(16.125, 12);
    expect([2, 6, 7, 8, 12].map(smooth)).toEqual([10, 18, 18, 18, 6]);
  });

  it('smooth: the tangent between two like slopes is that slope', () => {
    // Points on the line 5 n: inside, slopes are 5 on both sides, so between 4 and 7 it is the line itself.
    const shape: Shape = {
      type: 'points',
      between: 'smooth',
      points: [1, 4, 7, 10].map((position) => ({ position, value: 5 * position })),
    };
    expect(value(shape, 5)).toBeCloseTo(25, 12);
    expect(value(shape, 6)).toBeCloseTo(30, 12);
  });

  it('smooth never overshoots: between two points it stays between their values', () => {
    const point = fc.record({ gap: fc.integer({ min: 1, max: 9 }), value: fc.integer({ min: -50, max: 50 }) });
    fc.assert(
      fc.property(fc.array(point, { minLength: 2, maxLength: 8 }), (gaps) => {
        let position = 0;
        const points = gaps.map((entry) => ({ position: (position += entry.gap), value: entry.value }));
        const shape: Shape = { type: 'points', between: 'smooth', points };
        points.slice(1).forEach((after, index) => {
          const before = points[index]!;
          const low = Math.min(before.value, after.value) - 1e-9;
          const high = Math.max(before.value, after.value) + 1e-9;
          for (let n = before.position; n <= after.position; n++) {
            expect(value(shape, n)).toBeGreaterThanOrEqual(low);
            expect(value(shape, n)).toBeLessThanOrEqual(high);
          }
        });
      }),
    );
  });

  it('out of order are refused', () => {
    const bad = {
      type: 'points',
      between: 'hold',
      points: [
        { position: 5, value: 1 },
        { position: 5, value: 2 },
      ],
    };
    expect(Ramp.safeParse({ shape: bad }).error?.issues[0]?.message).toBe(
      'The point at 5 must come after the one at 5.',
    );
  });
});

describe('a breather', () => {
  const ramp: Ramp = {
    shape: { type: 'steps', from: 2, add: 1, every: 1, startingAt: 1 },
    breather: { every: 4, startingAt: 4, takes: { is: 'times', factor: 0.5 } },
    atLeast: 3,
    roundTo: 2,
  };
  it('comes at its interval, after the shape and before floor and rounding', () => {
    // Shape at 4 is 5, halved 2.5, at least 3, rounded to a multiple of 2, half away from zero: 4.
    expect([3, 4, 5, 8].map((position) => at({ ...ramp, roundTo: 0.5 }, position))).toEqual([4, 3, 6, 4.5]);
    expect(at(ramp, 4)).toBe(4);
  });

  it('can take an earlier value, never one before the first', () => {
    const earlier: Ramp = {
      ...ramp,
      atLeast: 0,
      roundTo: 0.5,
      breather: { every: 2, startingAt: 2, takes: { is: 'earlier', levels: 3 } },
    };
    expect([1, 2, 4, 6].map((position) => at(earlier, position))).toEqual([2, 2, 2, 4]);
  });

  it('is a step of the derivation', () => {
    const parameter = { ramp, sane, pins: {}, key: 'a' } as unknown as Parameter;
    const chain = deriveValue({ parameters: [], slots: [], tiers: [] }, parameter, 4);
    expect(chain.map(({ step, value: at }) => [step, at])).toEqual([
      ['shape', 5],
      ['breather', 2.5],
      ['at least', 3],
      ['rounded', 4],
    ]);
    expect(deriveValue({ parameters: [], slots: [], tiers: [] }, parameter, 5).map(({ step }) => step)).toEqual([
      'shape',
      'at least',
      'rounded',
    ]);
  });
});

describe('another shape', () => {
  const steps: Shape = { type: 'steps', from: 2, add: 0.5, every: 4, startingAt: 1 };
  const valuesOf = (shape: Shape) => Array.from({ length: 24 }, (_, index) => value(shape, index + 1));
  const types = Object.keys(SHAPES) as Shape['type'][];

  it('as points goes through the same values', () => {
    const points = SHAPES.points.fromValues(valuesOf(steps), PLAIN);
    expect(points.between).toBe('hold');
    expect(valuesOf(points)).toEqual(valuesOf(steps));
    const slope = valuesOf({ type: 'steps', from: 1, add: 0.25, every: 1, startingAt: 1 });
    expect(valuesOf(SHAPES.points.fromValues(slope, PLAIN))).toEqual(slope);
    expect(SHAPES.points.fromValues(slope, PLAIN).points).toHaveLength(2);
  });

  it('over a thousand levels has 200 points at most, where the lines come nearest', () => {
    const wave = Array.from({ length: 1000 }, (_, index) => (index % 7) + index / 50);
    const { points } = SHAPES.points.fromValues(wave, PLAIN);
    expect(points).toHaveLength(200);
    expect([points[0]!.position, points.at(-1)!.position]).toEqual([1, 1000]);
    const growth: Shape = { type: 'growth', from: 1, rate: 0.005, every: 1, startingAt: 1 };
    const grown = Array.from({ length: 1000 }, (_, index) => value(growth, index + 1));
    const drawn = SHAPES.points.fromValues(grown, PLAIN);
    grown.forEach((wanted, index) => expect(Math.abs(value(drawn, index + 1) / wanted - 1)).toBeLessThan(0.002));
  });

  it('as an s-curve along a reading crosses the middle where the values do', () => {
    const values = Array.from({ length: 11 }, (_, index) => (index < 4 ? 0 : 10));
    expect(SHAPES.sCurve.fromValues(values, { ...PLAIN, axis: 'score', first: 0 })).toMatchObject({ middle: 4 });
    expect(SHAPES.sCurve.fromValues(values, PLAIN)).toMatchObject({ middle: 5 });
  });

  it.each(types)('as %s begins where the other began, and is whole', (type) => {
    const shape: Shape = SHAPES[type].fromValues(valuesOf(steps), PLAIN);
    expect(Ramp.safeParse({ shape }).error).toBeUndefined();
    expect(Math.abs(value(shape, 1) - 2)).toBeLessThan(0.2);
  });

  it('as growth ends where the other ended', () => {
    expect(value(SHAPES.growth.fromValues(valuesOf(steps), PLAIN), 24)).toBeCloseTo(4.5, 9);
  });

  it.each(types)('%s stays whole wherever its handles are dragged, and says itself in words', (type) => {
    const shape: Shape = SHAPES[type].fromValues(valuesOf(steps), PLAIN);
    const definition = shapeDefinition(shape);
    for (const handle of definition.handles(shape, PLAIN)) {
      for (const [position, to] of [
        [1, 3],
        [9, -2],
        [400, 0],
      ] as const) {
        const moved = handle.moveTo(shape, position, to);
        expect(Ramp.safeParse({ shape: moved }).error).toBeUndefined();
        if (handle.remove) expect(Ramp.safeParse({ shape: handle.remove(moved) }).success).toBe(true);
      }
    }
    expect(definition.inWords(shape, String).length).toBeGreaterThan(5);
  });
});
