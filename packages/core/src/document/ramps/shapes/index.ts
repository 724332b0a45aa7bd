import type { Shape } from '../../model/index.ts';
import { ease } from './ease.ts';
import { formula } from './formula.ts';
import { growth } from './growth.ts';
import { hold } from './hold.ts';
import { points } from './points.ts';
import { sCurve } from './sCurve.ts';
import { steps } from './steps.ts';
import { tiers } from './tiers.ts';
import type { ShapeDefinition } from './types.ts';

export type { Handle, ShapeChoice, ShapeDefinition, ShapeField } from './types.ts';

/** Every shape, in the order in which they are offered. */
export const SHAPES = { hold, steps, growth, ease, sCurve, points, tiers, formula } as const satisfies {
  [T in Shape['type']]: ShapeDefinition<T>;
};

/** The definition of a shape's own type, so that its methods take the shape. */
export function shapeDefinition<S extends Shape>(shape: S): ShapeDefinition<S['type']> {
  return SHAPES[shape.type] as unknown as ShapeDefinition<S['type']>;
}
