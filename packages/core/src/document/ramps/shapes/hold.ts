import type { ShapeDefinition, ShapeValue } from './types.ts';

/** The same value at every position. */
export const holdValue: ShapeValue<'hold'> = (shape) => shape.value;

/** Its words, handles, and what carries over to it. */
export const hold: ShapeDefinition<'hold'> = {
  type: 'hold',
  label: 'Hold',
  fields: [{ name: 'value', before: 'at', measure: 'value' }],
  handles: (_, { first }) => [
    {
      name: 'value',
      label: 'Value',
      at: (shape) => ({ position: first, value: shape.value }),
      moveTo: (shape, _position, value) => ({ ...shape, value }),
    },
  ],
  fromValues: (values) => ({ type: 'hold', value: values[0] as number }),
  asFormula: (shape) => String(shape.value),
  inWords: (shape, say) => `holds ${say(shape.value)}`,
};
