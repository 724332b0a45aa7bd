import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { homeBeforeDusk } from '../../exchange/demo/index.ts';
import { Ramp, type Parameter, type Project, type Shape, type ShapeType } from '../model/index.ts';
import {
  deriveValue,
  PLAIN,
  rampTable,
  rampValue,
  reshape,
  rowWith,
  SHAPES,
  seriesOf,
  valuesAt,
  withoutNumber,
} from './index.ts';

/** The demo with the ramp of one parameter set. */
function withRamp(key: string, ramp: Ramp, more: Partial<Project> = {}): { project: Project; parameter: Parameter } {
  const project = { ...homeBeforeDusk(), ...more };
  const parameter = { ...project.parameters.find((entry) => entry.key === key)!, ramp, pins: {} };
  project.parameters = project.parameters.map((entry) => (entry.key === key ? parameter : entry));
  return { project, parameter };
}
const valuesOf = ({ project, parameter }: { project: Project; parameter: Parameter }): number[] => [
  ...rowWith(project, parameter).values,
];

describe('tiers', () => {
  // The demo's tiers begin at 1, 8, 13 and 19.
  const shape: Shape = { type: 'tiers', first: 1, values: { morning: 2, midday: 2.5, dusk: 3.5 } };

  it('take the value of the tier, its lower bound included', () => {
    const values = valuesOf(withRamp('hornetSpeed', { shape }));
    expect([1, 7, 8, 12, 18, 19, 24].map((at) => values[at - 1])).toEqual([2, 2, 2.5, 2.5, 2.5, 3.5, 3.5]);
  });

  it('hold their first value where the project has none', () => {
    expect(rampValue({ ramp: { shape: { type: 'tiers', first: 7, values: {} } }, sane: { min: 0, max: 10 } }, 9)).toBe(
      7,
    );
  });

  it('go by the bands of a reading along it', () => {
    const liveTiers = {
      score: [
        { id: 'low', name: 'Low', from: 0 },
        { id: 'high', name: 'High', from: 100 },
      ],
    };
    const ramp: Ramp = { axis: 'score', shape: { type: 'tiers', first: 1, values: { low: 2, high: 3 } } };
    const { project, parameter } = withRamp('hornetSpeed', ramp, { liveTiers });
    const context = seriesOf(project).contextOf(parameter, 4);
    expect([0, 99, 100, 101].map((score) => rampValue(parameter, score, context))).toEqual([2, 2, 3, 3]);
  });
});

describe('formulas', () => {
  const formula = (text: string): Ramp => ({ shape: { type: 'formula', text } });

  it.each([
    ['level', [1, 2, 24]],
    ['levels - level', [23, 22, 0]],
    ['if(level % 2 == 0, 5, 1)', [1, 5, 5]],
    ['tier', [1, 1, 4]],
  ])('%s at levels 1, 2 and 24', (text, expected) => {
    const values = valuesOf(withRamp('clock', formula(text)));
    expect([0, 1, 23].map((index) => values[index])).toEqual(expected);
  });

  it('take other parameters with their pins', () => {
    const { project } = withRamp('clock', formula('hornetSpeed * 10'));
    // Pinned to 2.55 at level 7; by steps 2.3 at level 8, after 3 steps of 0.1.
    expect(valuesAt(project, 7)['clock']).toBeCloseTo(25.5, 12);
    expect(valuesAt(project, 8)['clock']).toBeCloseTo(23, 12);
  });

  it('fall back to the end of the sane range, and say so', () => {
    const { project, parameter } = withRamp('clock', formula('10 / (level - 3)'));
    expect(valuesAt(project, 3)['clock']).toBe(parameter.sane.max);
    expect(deriveValue(project, parameter, 3).map(({ step }) => step)).toEqual(['shape', 'no number']);
    expect(valuesAt(project, 4)['clock']).toBe(10);
  });

  it.each([
    [
      'a breather',
      {
        shape: { type: 'hold', value: 1e300 },
        breather: { every: 2, startingAt: 2, takes: { is: 'times', factor: 1e300 } },
      },
    ],
    ['a multiple', { shape: { type: 'hold', value: 1e308 }, roundTo: 1e-300 }],
  ] as [string, Ramp][])('never come to no number by %s either', (_case, ramp) => {
    const { project, parameter } = withRamp('clock', ramp);
    const { values } = rowWith(project, parameter);
    for (const value of values) expect(Number.isFinite(value)).toBe(true);
    expect(deriveValue(project, parameter, 2).at(-1)!.value).toBe(values[1]);
  });

  it('tell where they give no number, but for what is pinned', () => {
    const { project, parameter } = withRamp('clock', formula('if(level < 3, 1 / 0, sqrt(level - 6))'));
    parameter.pins['slot-4'] = 30;
    expect(withoutNumber(project, parameter)).toEqual([1, 2, 3, 5]);
    expect(withoutNumber(project, project.parameters[0]!)).toEqual([]);
    const circle = withRamp('clock', formula('clock + 1'));
    expect(withoutNumber(circle.project, circle.parameter)).toHaveLength(24);
  });

  it('in a circle count as the lower ends, whoever is asked first', () => {
    const project = homeBeforeDusk();
    const set = (key: string, text: string): void => {
      const parameter = project.parameters.find((entry) => entry.key === key)!;
      parameter.ramp = formula(text);
      parameter.pins = {};
    };
    set('clock', 'nestRest + 1');
    set('nestRest', 'clock + 1');
    set('beetles', 'nestRest * 2');
    // Both go round: 15 and 1, their lower ends. The third only follows: 1 × 2.
    expect(valuesAt(project, 5)).toMatchObject({ clock: 15, nestRest: 1, beetles: 2 });
    project.parameters.reverse();
    expect(valuesAt(project, 5)).toMatchObject({ clock: 15, nestRest: 1, beetles: 2 });
  });

  it('name a chain of sixty parameters without working anything out twice', () => {
    const project = homeBeforeDusk();
    const [model] = project.parameters;
    project.parameters = Array.from({ length: 60 }, (_, index) => ({
      ...model!,
      key: `p${index}`,
      pins: {},
      sane: { min: 0, max: 1e9 },
      ramp: formula(index === 0 ? '1' : `(p${index - 1} + p${index - 1}) / 2 + 1`),
    }));
    expect(valuesAt(project, 1)['p59']).toBe(60);
  });
});

describe('a live ramp', () => {
  const ramp: Ramp = {
    axis: 'score',
    shape: { type: 'steps', from: 2, add: 0.5, every: 50, startingAt: 100 },
    atMost: 3,
  };

  it('counts its bounds in: just below, at and just above', () => {
    const { project, parameter } = withRamp('hornetSpeed', ramp);
    const context = seriesOf(project).contextOf(parameter, 1);
    // First step once 50 are there past 100: at 150.
    expect([149, 150, 151, 199, 200, 999].map((score) => rampValue(parameter, score, context))).toEqual([
      2, 2.5, 2.5, 2.5, 3, 3,
    ]);
  });

  it('stands in the sequence as it is before anything has happened, and still where it is pinned', () => {
    const { project, parameter } = withRamp('hornetSpeed', ramp);
    expect(valuesAt(project, 20)['hornetSpeed']).toBe(2);
    parameter.pins['slot-20'] = 4;
    expect(valuesAt(project, 20)['hornetSpeed']).toBe(4);
  });

  it('starts an ease at 0, not at 1', () => {
    const eased: Ramp = { axis: 'timeElapsed', shape: { type: 'ease', from: 2, to: 4, halfway: 10 } };
    const { project, parameter } = withRamp('hornetSpeed', eased);
    const context = seriesOf(project).contextOf(parameter, 1);
    // Half the way every 10 s: 2, 3, 3.5.
    expect([0, 10, 20].map((seconds) => rampValue(parameter, seconds, context))).toEqual([2, 3, 3.5]);
  });

  it.each([
    [
      {
        axis: 'score',
        shape: { type: 'hold', value: 1 },
        breather: { every: 2, startingAt: 2, takes: { is: 'times', factor: 1 } },
      },
    ],
    [{ shape: { type: 'steps', from: 1, add: 1, every: 1, startingAt: 0 } }],
    [{ shape: { type: 'points', between: 'hold', points: [{ position: 0, value: 1 }] } }],
  ])('is refused what belongs to the other axis: %#', (wrong) => {
    expect(Ramp.safeParse(wrong).success).toBe(false);
  });
});

describe('the table', () => {
  it('goes on past the end without pins', () => {
    const project = homeBeforeDusk();
    const row = rampTable(project, 30).rows.get('hornetSpeed')!;
    expect(row.values).toHaveLength(30);
    expect(row.values[29]).toBe(2.7);
  });

  it('takes from an earlier one what cannot have changed, and nothing else', () => {
    const before = withRamp('clock', { shape: { type: 'formula', text: 'hornetSpeed * 2 + nestRest' } }).project;
    const table = rampTable(before);
    const change = (key: string, more: Partial<Parameter>): Project => ({
      ...before,
      parameters: before.parameters.map((entry) => (entry.key === key ? { ...entry, ...more } : entry)),
    });
    const keptAfter = (project: Project): string[] => {
      const next = rampTable(project, 24, { project: before, table });
      expect(next).toEqual(rampTable(project, 24));
      return [...next.rows].filter(([key, row]) => table.rows.get(key) === row).map(([key]) => key);
    };
    expect(keptAfter(change('hornetSpeed', { label: 'Other' }))).toHaveLength(before.parameters.length);
    const hold = (value: number): Ramp => ({ shape: { type: 'hold', value } });
    expect(keptAfter(change('beetles', { ramp: hold(3) }))).not.toContain('beetles');
    expect(keptAfter(change('beetles', { ramp: hold(3) }))).toContain('clock');
    // The clock follows hornetSpeed.
    expect(keptAfter(change('hornetSpeed', { ramp: hold(3) }))).toEqual(
      before.parameters.map(({ key }) => key).filter((key) => key !== 'hornetSpeed' && key !== 'clock'),
    );
    expect(keptAfter({ ...before, slots: before.slots.slice(1) })).toEqual([]);
    expect(keptAfter({ ...before, tiers: before.tiers.slice(0, 2) })).not.toContain('clock');
  });
});

describe('reshape', () => {
  const values = (shape: Shape): number[] =>
    Array.from({ length: 24 }, (_, index) => rampValue({ ramp: { shape }, sane: { min: -99, max: 99 } }, index + 1));

  it.each<[ShapeType, Shape]>([
    ['hold', { type: 'hold', value: -2 }],
    ['steps', { type: 'steps', from: 2, add: -0.5, every: 4, startingAt: 3 }],
    ['growth', { type: 'growth', from: 2, rate: 0.05, every: 2, startingAt: 1 }],
    ['ease', { type: 'ease', from: 5, to: 2, halfway: 4 }],
    ['sCurve', { type: 'sCurve', from: 1, to: 4, middle: 12, width: 8 }],
    [
      'points',
      {
        type: 'points',
        between: 'hold',
        points: [
          { position: 1, value: 2 },
          { position: 9, value: 3 },
        ],
      },
    ],
    [
      'points',
      {
        type: 'points',
        between: 'straight',
        points: [
          { position: 3, value: 2 },
          { position: 9, value: 5 },
        ],
      },
    ],
  ])('says %s as a formula with the same values', (_type, shape) => {
    const formula = reshape({ shape }, 'formula', PLAIN, 24);
    expect(formula.type).toBe('formula');
    const [said, meant] = [values(formula), values(shape)];
    said.forEach((value, index) => expect(value).toBeCloseTo(meant[index]!, 9));
  });

  it('says what is too long to write by its ends', () => {
    const points = Array.from({ length: 100 }, (_, index) => ({ position: index + 1, value: (index * 7) % 13 }));
    const formula = reshape({ shape: { type: 'points', between: 'hold', points } }, 'formula', PLAIN, 100);
    expect(formula).toMatchObject({ type: 'formula' });
    expect(formula.type === 'formula' && formula.text.length).toBeLessThan(60);
  });

  it('gives every type from every type', () => {
    const types = Object.keys(SHAPES) as ShapeType[];
    fc.assert(
      fc.property(fc.constantFrom(...types), fc.constantFrom(...types), fc.integer({ min: 1, max: 40 }), (a, b, n) => {
        const first = reshape({ shape: { type: 'steps', from: 3, add: 0.25, every: 2, startingAt: 1 } }, a, PLAIN, n);
        const second = reshape({ shape: first }, b, PLAIN, n);
        expect(Ramp.safeParse({ shape: second }).error).toBeUndefined();
        expect(second.type).toBe(b);
      }),
    );
  });
});
