import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { homeBeforeDusk } from '../../exchange/demo/index.ts';
import type { Parameter, Ramp, Shape } from '../model/index.ts';
import {
  editedValues,
  fitShape,
  applyRangeEdit,
  PLAIN,
  rampValue,
  rowWith,
  type RangeEditForm,
  type RangeEdit,
} from './index.ts';

const project = homeBeforeDusk();
const parameterWith = (ramp: Ramp, pins: Record<string, number> = {}): Parameter => ({
  ...project.parameters[0]!,
  sane: { min: -1000, max: 1000 },
  ramp,
  pins,
});
const valuesOf = (parameter: Parameter): number[] => [...rowWith(project, parameter).values];
const steps: Shape = { type: 'steps', from: 2, add: 0.5, every: 4, startingAt: 1 };

describe('what a range edit asks for', () => {
  const row = [1, 2, 6, 3, 5];
  // Worked out by hand: smoothing is a quarter of each neighbour and half of oneself.
  it.each<[RangeEdit, number[]]>([
    [{ edit: 'add', by: 2 }, [1, 4, 8, 5, 5]],
    [{ edit: 'times', by: 0.5 }, [1, 1, 3, 1.5, 5]],
    [{ edit: 'set', value: 9 }, [1, 9, 9, 9, 5]],
    [{ edit: 'smooth' }, [1, 2.75, 4.25, 4.25, 5]],
    [{ edit: 'spread' }, [1, 2, 2.5, 3, 5]],
    [{ edit: 'copy', values: [7, 8] }, [1, 7, 8, 3, 5]],
  ])('%j', (edit, expected) => {
    expect(editedValues(row, { from: 2, to: 4 }, edit)).toEqual(expected);
  });

  it('leaves the ends of the sequence to themselves when smoothing', () => {
    expect(editedValues([4, 8], { from: 1, to: 2 }, { edit: 'smooth' })).toEqual([5, 7]);
  });
});

describe('fitting a shape', () => {
  const targetsOf = (shape: Shape) =>
    Array.from({ length: 24 }, (_, index) => ({
      place: index + 1,
      value: rampValue({ ramp: { shape }, sane: { min: -1e9, max: 1e9 } }, index + 1),
    }));

  it.each<[string, Shape, Shape]>([
    ['steps', { ...steps, from: 0, add: 0 }, steps],
    ['an ease', { type: 'ease', from: 0, to: 1, halfway: 5 }, { type: 'ease', from: 3, to: 7, halfway: 5 }],
    [
      'growth',
      { type: 'growth', from: 1, rate: 0, every: 1, startingAt: 1 },
      { type: 'growth', from: 2, rate: 0.08, every: 1, startingAt: 1 },
    ],
    [
      'an s-curve',
      { type: 'sCurve', from: 0, to: 1, middle: 10, width: 6 },
      { type: 'sCurve', from: 2, to: 5, middle: 10, width: 6 },
    ],
    ['a held value', { type: 'hold', value: 0 }, { type: 'hold', value: 4 }],
  ])('finds %s again from its values', (_name, start, meant) => {
    const fitted = fitShape(start, targetsOf(meant), PLAIN)!;
    for (const { place, value } of targetsOf(fitted)) expect(value).toBeCloseTo(targetsOf(meant)[place - 1]!.value, 3);
  });

  it('leaves what has no bearing on the targets', () => {
    // Levels 1 to 4 stand before the first step: what a step adds is not theirs to say.
    const fitted = fitShape(
      steps,
      [1, 2, 3, 4].map((place) => ({ place, value: 3 })),
      PLAIN,
    );
    expect(fitted).toEqual({ ...steps, from: 3 });
  });

  it('has no answer for a formula', () => {
    expect(fitShape({ type: 'formula', text: '2' }, [{ place: 1, value: 3 }], PLAIN)).toBeUndefined();
  });
});

describe('holding a range edit', () => {
  const all = { from: 1, to: 24 };

  it('by the ramp’s own numbers keeps the ramp a ramp', () => {
    const parameter = parameterWith({ shape: steps, atMost: 4, roundTo: 0.05 });
    const held = applyRangeEdit(project, parameter, all, { edit: 'times', by: 1.5 }, 'own')!;
    // 2 × 1.5 and 0.5 × 1.5; the cap stays and has the last word.
    expect(held.ramp).toEqual({ shape: { ...steps, from: 3, add: 0.75 }, atMost: 4, roundTo: 0.05 });
    expect(held.elsewhere).toBe(0);
    expect(held.offBy).toBeCloseTo(4 * 1.5 - 4, 9);
  });

  it('leaves nothing of the arithmetic behind: a start at 0 stays at 0', () => {
    const shape: Shape = { type: 'steps', from: 0, add: 1, every: 4, startingAt: 2 };
    const held = applyRangeEdit(
      project,
      parameterWith({ shape, atMost: 4, roundTo: 1 }),
      all,
      { edit: 'times', by: 2 },
      'own',
    )!;
    expect(held.ramp.shape).toEqual({ ...shape, add: 2 });
  });

  it('moves the pins of the stretch along, and no others', () => {
    const parameter = parameterWith({ shape: { type: 'hold', value: 2 } }, { 'slot-3': 5, 'slot-20': 7 });
    const held = applyRangeEdit(project, parameter, { from: 1, to: 10 }, { edit: 'add', by: 1 }, 'own')!;
    expect(held.pins).toEqual({ 'slot-3': 6, 'slot-20': 7 });
    expect(held.ramp.shape).toEqual({ type: 'hold', value: 3 });
    expect(held.elsewhere).toBe(1);
  });

  it.each<[RangeEdit, string]>([
    [{ edit: 'add', by: 0.5 }, '(level / 2) + 0.5 * (level >= 5) * (level <= 8)'],
    [{ edit: 'times', by: 2 }, '(level / 2) * if((level >= 5) * (level <= 8), 2, 1)'],
    [{ edit: 'set', value: 3 }, 'if((level >= 5) * (level <= 8), 3, level / 2)'],
  ])('writes %j into a formula', (edit, text) => {
    const parameter = parameterWith({ shape: { type: 'formula', text: 'level / 2' } });
    const held = applyRangeEdit(project, parameter, { from: 5, to: 8 }, edit, 'own')!;
    expect(held.ramp.shape).toEqual({ type: 'formula', text });
    expect(held.offBy).toBeLessThan(1e-9);
    expect(held.elsewhere).toBeLessThan(1e-9);
  });

  it('never writes a formula longer than the document takes', () => {
    const text = `level + ${Array.from({ length: 122 }, () => '0').join(' + ')}`;
    const parameter = parameterWith({ shape: { type: 'formula', text } });
    expect(applyRangeEdit(project, parameter, all, { edit: 'times', by: 1.5 }, 'own')).toBeUndefined();
  });

  it('cannot smooth a formula by its own numbers', () => {
    const parameter = parameterWith({ shape: { type: 'formula', text: 'level / 2' } });
    expect(applyRangeEdit(project, parameter, all, { edit: 'smooth' }, 'own')).toBeUndefined();
  });

  it('takes a pin away where the ramp says the same', () => {
    const parameter = parameterWith({ shape: { type: 'hold', value: 2 } }, { 'slot-3': 5 });
    const held = applyRangeEdit(project, parameter, { from: 2, to: 4 }, { edit: 'set', value: 2 }, 'pins')!;
    expect(held.pins).toEqual({});
  });

  const edits = fc.oneof(
    fc.record({ edit: fc.constant('add' as const), by: fc.integer({ min: -9, max: 9 }) }),
    fc.record({ edit: fc.constant('set' as const), value: fc.integer({ min: -9, max: 9 }) }),
    fc.constant({ edit: 'smooth' as const }),
    fc.constant({ edit: 'spread' as const }),
  );
  it.each<RangeEditForm>(['points', 'pins'])('as %s gives what was asked for and changes nothing elsewhere', (as) => {
    fc.assert(
      fc.property(edits, fc.integer({ min: 1, max: 24 }), fc.integer({ min: 0, max: 10 }), (edit, from, more) => {
        const stretch = { from, to: Math.min(24, from + more) };
        const breather = { every: 5, startingAt: 5, takes: { is: 'times' as const, factor: 0.8 } };
        const parameter = parameterWith({ shape: steps, breather }, { 'slot-6': 9, 'slot-15': 1 });
        const held = applyRangeEdit(project, parameter, stretch, edit, as)!;
        const wanted = editedValues(valuesOf(parameter), stretch, edit);
        const got = valuesOf({ ...parameter, ramp: held.ramp, pins: held.pins });
        got.forEach((value, index) => expect(value).toBeCloseTo(wanted[index]!, 8));
        expect(held.elsewhere).toBeLessThan(1e-8);
      }),
    );
  });
});
