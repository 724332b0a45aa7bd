import type { Ramp, Shape } from '../model/index.ts';
import type { RampContext } from './context.ts';
import { shapeDefinition, type ShapeField } from './shapes/index.ts';
import { rawValue } from './values.ts';

type Numbers = Readonly<Record<string, number>>;

/** The numbers of a shape, those of bands among them. */
export function shapeFields(shape: Shape, context: RampContext): ShapeField[] {
  const definition = shapeDefinition(shape);
  return [...definition.fields, ...(definition.fieldsIn?.(context) ?? [])];
}

/** Where a number stands. */
const numbersIn = (shape: Shape, { of }: ShapeField): Numbers =>
  (of === undefined ? shape : (shape as unknown as Record<string, Numbers>)[of]) as unknown as Numbers;

/** One number of a shape; undefined for a band that has none of its own. */
export const ownNumber = (shape: Shape, field: ShapeField): number | undefined => numbersIn(shape, field)[field.name];

/** The same; of a band without one of its own, what it goes on with from the one before it. */
export function numberOf({ shape }: Pick<Ramp, 'shape'>, field: ShapeField, context: RampContext): number {
  const own = ownNumber(shape, field);
  if (own !== undefined) return own;
  const band = context.bands.find(({ id }) => id === field.name);
  return rawValue({ shape }, band?.from ?? context.first, context);
}

/** A shape with another number. */
export function withNumber(shape: Shape, field: ShapeField, value: number): Shape {
  const changed = { ...numbersIn(shape, field), [field.name]: value };
  return (field.of === undefined ? changed : { ...shape, [field.of]: changed }) as unknown as Shape;
}
