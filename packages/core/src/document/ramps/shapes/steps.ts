import { everyUpTo, startHandle, STEP_FIELDS, stepsAt, stepsFormula, stepsInWords } from './stepwise.ts';
import type { ShapeDefinition, ShapeValue } from './types.ts';

/** from + add × ⌊max(0, n − startingAt) / every⌋ */
export const stepsValue: ShapeValue<'steps'> = (shape, position) => shape.from + shape.add * stepsAt(shape, position);

/** Its words, handles, and what carries over to it. */
export const steps: ShapeDefinition<'steps'> = {
  type: 'steps',
  label: 'Steps',
  fields: [
    { name: 'from', before: 'starting at', measure: 'value' },
    { name: 'add', before: 'adding', measure: 'value' },
    ...STEP_FIELDS,
  ],
  handles: (_, { first }) => [
    startHandle(first),
    {
      name: 'add',
      label: 'First step',
      at: (shape) => ({ position: shape.startingAt + shape.every, value: shape.from + shape.add }),
      moveTo: (shape, position, value) => ({ ...shape, add: value - shape.from, every: everyUpTo(shape, position) }),
    },
  ],
  fromValues: (values, { first: startingAt }) => {
    const first = values[0] as number;
    const count = values.length - 1;
    const add = count > 0 ? ((values[count] as number) - first) / count : 0;
    return { type: 'steps', from: first, add, every: 1, startingAt };
  },
  asFormula: (shape, name) => `${shape.from} + ${shape.add} * ${stepsFormula(shape, name)}`,
  inWords: (shape, say) =>
    `from ${say(shape.from)}, ${shape.add < 0 ? '−' : '+'}${say(Math.abs(shape.add))} ${stepsInWords(shape)}`,
};
