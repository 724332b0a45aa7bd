import { counted } from '../../../basics/wording/index.ts';
import { exp2 } from '../exponential.ts';
import { halfwayAfter } from './crossing.ts';
import { FORMULA_DIGITS } from './stepwise.ts';
import type { ShapeDefinition, ShapeValue } from './types.ts';
import { toSignificant } from '../round.ts';

/** to − (to − from) × 2^(−(n − first) / halfway), first being position 1 or a reading's 0: quick at first, ever slower, never quite there. */
export const easeValue: ShapeValue<'ease'> = (shape, place, { first }) =>
  shape.to - (shape.to - shape.from) * exp2(-(place - first) / shape.halfway);

/** Its words, handles, and what carries over to it. */
export const ease: ShapeDefinition<'ease'> = {
  type: 'ease',
  label: 'Ease',
  fields: [
    { name: 'from', before: 'from', measure: 'value' },
    { name: 'to', before: 'towards', measure: 'value' },
    { name: 'halfway', before: 'half the way every', after: 'levels', measure: 'span' },
  ],
  handles: (_, { first }) => [
    {
      name: 'from',
      label: 'Start',
      at: (shape) => ({ position: first, value: shape.from }),
      moveTo: (shape, _position, value) => ({ ...shape, from: value }),
    },
    {
      name: 'halfway',
      label: 'Half the way',
      at: (shape) => ({ position: first + shape.halfway, value: (shape.from + shape.to) / 2 }),
      moveTo: (shape, position, value) => ({
        ...shape,
        to: 2 * value - shape.from,
        halfway: Math.max(0.5, position - first),
      }),
    },
  ],
  fromValues: (values) => ({
    type: 'ease',
    from: values[0] as number,
    to: values.at(-1) as number,
    halfway: Math.max(1, halfwayAfter(values)),
  }),
  asFormula: ({ from, to, halfway }, name, { first }) =>
    `${to} - ${toSignificant(to - from, FORMULA_DIGITS)} * 2 ^ ((${first} - ${name}) / ${halfway})`,
  inWords: (shape, say) =>
    `from ${say(shape.from)} towards ${say(shape.to)}, half the way every ${shape.halfway === 1 ? 'level' : counted(shape.halfway, 'level')}`,
};
