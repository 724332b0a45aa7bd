import { exp } from '../exponential.ts';
import { halfwayAfter } from './crossing.ts';
import { FORMULA_DIGITS } from './stepwise.ts';
import type { ShapeDefinition, ShapeValue } from './types.ts';
import { toSignificant } from '../round.ts';

const E = 2.718281828459045;

/**
 * Logistic between two values: from + (to − from) / (1 + e^(−4 (n − middle) / width)). At the middle it climbs by
 * (to − from) / width a level, which is its steepest.
 */
export const sCurveValue: ShapeValue<'sCurve'> = (shape, position) =>
  shape.from + (shape.to - shape.from) / (1 + exp((-4 * (position - shape.middle)) / shape.width));

/** Its words, handles, and what carries over to it. */
export const sCurve: ShapeDefinition<'sCurve'> = {
  type: 'sCurve',
  label: 'S-curve',
  fields: [
    { name: 'from', before: 'from', measure: 'value' },
    { name: 'to', before: 'to', measure: 'value' },
    { name: 'middle', before: 'around level', measure: 'span' },
    { name: 'width', before: 'over', after: 'levels', measure: 'span' },
  ],
  handles: () => [
    {
      name: 'middle',
      label: 'Middle',
      at: (shape) => ({ position: shape.middle, value: (shape.from + shape.to) / 2 }),
      moveTo: (shape, position, value) => {
        const by = value - (shape.from + shape.to) / 2;
        return { ...shape, middle: position, from: shape.from + by, to: shape.to + by };
      },
    },
    {
      name: 'to',
      label: 'End',
      at: (shape) => ({ position: shape.middle + shape.width, value: shape.to }),
      moveTo: (shape, position, value) => ({ ...shape, to: value, width: Math.max(0.5, position - shape.middle) }),
    },
  ],
  fromValues: (values, { first }) => ({
    type: 'sCurve',
    from: values[0] as number,
    to: values.at(-1) as number,
    middle: first + halfwayAfter(values),
    width: Math.max(1, values.length / 2),
  }),
  asFormula: ({ from, to, middle, width }, name) =>
    `${from} + ${toSignificant(to - from, FORMULA_DIGITS)} / (1 + ${E} ^ (4 * (${middle} - ${name}) / ${width}))`,
  inWords: (shape, say) =>
    `from ${say(shape.from)} to ${say(shape.to)} around level ${Number(shape.middle.toPrecision(4))}`,
};
