import { powerOf, rootOf } from '../exponential.ts';
import {
  everyUpTo,
  startHandle,
  STEP_FIELDS,
  stepsAt,
  stepsFormula,
  stepsInWords,
  FORMULA_DIGITS,
} from './stepwise.ts';
import type { ShapeDefinition, ShapeValue } from './types.ts';
import { toSignificant } from '../round.ts';

/** from × (1 + rate)^⌊max(0, n − startingAt) / every⌋ */
export const growthValue: ShapeValue<'growth'> = (shape, position) =>
  shape.from * powerOf(1 + shape.rate, stepsAt(shape, position));

/** Its words, handles, and what carries over to it. */
export const growth: ShapeDefinition<'growth'> = {
  type: 'growth',
  label: 'Growth',
  fields: [
    { name: 'from', before: 'starting at', measure: 'value' },
    { name: 'rate', before: 'growing by', measure: 'share' },
    ...STEP_FIELDS,
  ],
  handles: (_, { first }) => [
    startHandle(first),
    {
      name: 'rate',
      label: 'First step',
      at: (shape) => ({ position: shape.startingAt + shape.every, value: shape.from * (1 + shape.rate) }),
      moveTo: (shape, position, value) => ({
        ...shape,
        // Nothing grows from 0, and nothing to 0.
        rate: shape.from === 0 ? shape.rate : Math.min(10, Math.max(-0.99, value / shape.from - 1)),
        every: everyUpTo(shape, position),
      }),
    },
  ],
  fromValues: (values, { first: startingAt }) => {
    const first = values[0] as number;
    const steps = values.length - 1;
    const ratio = steps > 0 && first !== 0 ? (values[steps] as number) / first : 1;
    const rate = ratio > 0 && steps > 0 ? Math.min(10, rootOf(ratio, steps) - 1) : 0;
    return { type: 'growth', from: first, rate: Math.max(-0.99, rate), every: 1, startingAt };
  },
  asFormula: (shape, name) =>
    `${shape.from} * ${toSignificant(1 + shape.rate, FORMULA_DIGITS)} ^ ${stepsFormula(shape, name)}`,
  inWords: (shape, say) =>
    `from ${say(shape.from)}, ${shape.rate < 0 ? '−' : '+'}${Number(Math.abs(shape.rate * 100).toPrecision(4))} % ${stepsInWords(shape)}`,
};
