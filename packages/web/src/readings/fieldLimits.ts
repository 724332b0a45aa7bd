import type { ShapeField } from '@stadion/core/document/ramps';
import type { NumberLimits } from '../ui/index.ts';

/** Range of a shape's number, by its quantity. */
export const FIELD_LIMITS: Readonly<Record<ShapeField['measure'], (value: NumberLimits) => NumberLimits>> = {
  value: (limits) => limits,
  levels: () => ({ step: 1, min: 1, max: 1000, whole: true }),
  position: () => ({ step: 1, min: 1, max: 1000, whole: true }),
  span: () => ({ step: 0.5, min: 0.01, max: 1000 }),
  share: () => ({ step: 0.01, min: -0.99, max: 10, scale: 100, unit: '%' }),
};
