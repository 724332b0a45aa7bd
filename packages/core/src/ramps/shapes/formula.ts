import { parseFormula } from '../formula/index.ts';
import type { ShapeDefinition } from './types.ts';

/** What the designer writes, in a small language of its own. */
export const formula: ShapeDefinition<'formula'> = {
  type: 'formula',
  label: 'Formula',
  fields: [],
  handles: () => [],
  valueAt: ({ text }, place, context) => {
    const parsed = parseFormula(text);
    return parsed.ok ? parsed.run(place, context) : Number.NaN;
  },
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
