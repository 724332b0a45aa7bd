export { deriveValue, type Derivation, type DerivationStep } from './derive.ts';
export { changeOf, laneMarks, type LaneMarks } from './marks.ts';
export { readRamp, type RampReading } from './read.ts';
export { roundToMultiple } from './round.ts';
export {
  SHAPES,
  shapeDefinition,
  type Handle,
  type ShapeChoice,
  type ShapeDefinition,
  type ShapeField,
} from './shapes/index.ts';
export { exp, exp2, powerOf, rootOf } from './exponential.ts';
export { isBreather, shapedValue, valuesAt, rampTable, rampValue, type RampTable, type Values } from './values.ts';
