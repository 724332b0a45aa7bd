import type { Shape } from '../../model/index.ts';
import { bandAt, type Band, type RampContext } from '../context.ts';
import type { ShapeDefinition, ShapeValue } from './types.ts';

type Tiers = Extract<Shape, { type: 'tiers' }>;

/** The value of a band: its own, or that of the nearest before it that has one. */
function valueOfBand({ first, values }: Tiers, bands: readonly Band[], index: number): number {
  for (let at = index; at >= 0; at--) {
    const { id } = (bands[at] ?? {}) as Partial<Band>;
    if (id !== undefined && Object.hasOwn(values, id)) return values[id] as number;
  }
  return first;
}

/** Where every band begins; the whole axis where there are none. */
const startsOf = ({ bands, first }: RampContext): readonly number[] =>
  bands.length === 0 ? [first] : bands.map(({ from }) => from);

/** The value of the tier that a place lies in. */
export const tiersValue: ShapeValue<'tiers'> = (shape, place, { bands }) =>
  valueOfBand(shape, bands, bandAt(bands, place));

/** Its words, handles, and what carries over to it. */
export const tiers: ShapeDefinition<'tiers'> = {
  type: 'tiers',
  label: 'Tiers',
  fields: [],
  fieldsIn: ({ bands }) =>
    bands.length === 0
      ? [{ name: 'first', before: 'everywhere', measure: 'value' }]
      : bands.map(({ id, name }) => ({ name: id, of: 'values', before: `${name}:`, measure: 'value' })),
  handles: (_, { bands }) =>
    bands.map(({ id, name, from }, index) => ({
      name: id,
      label: name,
      at: (shape) => ({ position: from, value: valueOfBand(shape, bands, index) }),
      moveTo: (shape, _position, value) => ({ ...shape, values: { ...shape.values, [id]: value } }),
    })),
  fromValues: (values, context) => {
    const at = startsOf(context).map((from) => values[Math.min(values.length - 1, from - context.first)] as number);
    return {
      type: 'tiers',
      first: at[0] as number,
      values: Object.fromEntries(context.bands.map(({ id }, index) => [id, at[index] as number])),
    };
  },
  asFormula: (shape, _name, { bands }) => {
    const from = (index: number): string =>
      index >= bands.length - 1
        ? String(valueOfBand(shape, bands, index))
        : `if(tier == ${index + 1}, ${valueOfBand(shape, bands, index)}, ${from(index + 1)})`;
    return from(0);
  },
  inWords: (shape, say) => {
    const own = Object.values(shape.values);
    // The tiers before the first with a value of its own have the first value.
    const values = own.length > 0 && own[0] !== shape.first ? [shape.first, ...own] : own;
    return values.length === 0 ? `${say(shape.first)} everywhere` : `${values.slice(0, 6).map(say).join(', ')} by tier`;
  },
};
