export { deriveValue, type Derivation, type DerivationStep } from './derive.ts';
export { readRamp, type RampReading } from './read.ts';
export { roundToMultiple } from './round.ts';
export { SHAPES, shapeDefinition, type Handle, type ShapeDefinition, type ShapeField } from './shapes/index.ts';
export { valuesAt, rampTable, rampValue, type RampTable, type Values } from './values.ts';
