import type { Shape } from '../../model/index.ts';
import type { RampContext } from '../context.ts';
import { easeValue } from './ease.ts';
import { formulaValue } from './formula.ts';
import { growthValue } from './growth.ts';
import { holdValue } from './hold.ts';
import { pointsValue } from './points.ts';
import { sCurveValue } from './sCurve.ts';
import { stepsValue } from './steps.ts';
import { tiersValue } from './tiers.ts';
import type { ReadyShape, ShapeValue } from './types.ts';

/** How every shape is worked out: all that a game needs of them. */
const SHAPE_VALUES: { readonly [T in Shape['type']]: ShapeValue<T> } = {
  hold: holdValue,
  steps: stepsValue,
  growth: growthValue,
  ease: easeValue,
  sCurve: sCurveValue,
  points: pointsValue,
  tiers: tiersValue,
  formula: formulaValue,
};

/** A shape's value before the modifiers; a formula may give none. @param place on the ramp's axis: a position from 1, or a reading */
export function valueOfShape<S extends ReadyShape>(shape: S, place: number, context: RampContext): number {
  const value = SHAPE_VALUES[shape.type] as (shape: ReadyShape, place: number, context: RampContext) => number;
  return value(shape, place, context);
}
