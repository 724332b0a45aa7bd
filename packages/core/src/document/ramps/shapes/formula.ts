import { evaluatorOf } from '../formula/evaluate.ts';
import type { ShapeDefinition, ShapeValue } from './types.ts';

/** A formula of the designer, in a small language of its own. */
export const formulaValue: ShapeValue<'formula'> = ({ tree }, place, context) =>
  tree === null ? Number.NaN : evaluatorOf(tree)(place, context);

/** Its words, handles, and what carries over to it. */
export const formula: ShapeDefinition<'formula'> = {
  type: 'formula',
  label: 'Formula',
  fields: [],
  handles: () => [],
  fromValues: (values, { axis }) => {
    const name = axis === undefined ? 'level' : 'reading';
    const first = values[0] as number;
    const last = values.at(-1) as number;
    const slope = values.length > 1 ? Number(((last - first) / (values.length - 1)).toPrecision(6)) : 0;
    const steps = axis === undefined ? `(${name} - 1)` : name;
    return { type: 'formula', text: slope === 0 ? String(first) : `${first} + ${slope} * ${steps}` };
  },
  asFormula: ({ text }) => text,
  inWords: ({ text }) => text,
};
