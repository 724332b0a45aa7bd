import type { Ramp, Shape, ShapeType } from '../model/index.ts';
import type { RampContext } from './context.ts';
import { SHAPES, shapeDefinition } from './shapes/index.ts';
import { rawValue } from './values.ts';

/** The longest formula that the document takes. */
export const LONGEST_FORMULA = 500;

/**
 * A ramp's shape as another type of shape, with what carries over: the values, or the same said as a formula.
 *
 * @param places how many along the axis the values are taken from; one at least
 */
export function reshape(ramp: Ramp, type: ShapeType, context: RampContext, places: number): Shape {
  if (type === 'formula') {
    const text = shapeDefinition(ramp.shape).asFormula?.(
      ramp.shape,
      context.axis === undefined ? 'level' : 'reading',
      context,
    );
    // An added negative number reads better as a subtraction.
    const plain = text?.replaceAll('+ -', '- ').replaceAll('- -', '+ ');
    if (plain !== undefined && plain.length <= LONGEST_FORMULA) return { type: 'formula', text: plain };
  }
  const values = Array.from({ length: Math.max(1, places) }, (_, index) => {
    const value = rawValue(ramp, context.first + index, context);
    return Number.isFinite(value) ? value : 0;
  });
  return SHAPES[type].fromValues(values, context);
}
