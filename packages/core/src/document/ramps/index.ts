export { bandAt, PLAIN, sequenceContext, type Band, type RampContext } from './context.ts';
export { deriveValue, type Derivation, type DerivationStep } from './derive.ts';
export { exp, exp2, powerOf, rootOf } from './exponential.ts';
export {
  arithmetic,
  conditionsIn,
  cyclesOf,
  formulaError,
  FUNCTIONS,
  log,
  namesIn,
  OWN_NAMES,
  actionFormulaError,
  parseFormula,
  power,
  READING_NAME,
  evaluatorOf,
  type FormulaCondition,
  type FormulaError,
  type FormulaFunction,
  type FormulaNode,
} from './formula/index.ts';
export {
  editedValues,
  applyRangeEdit,
  type RangeEditResult,
  type RangeEditForm,
  type RangeEdit,
  type Stretch,
} from './rangeEdit.ts';
export { fitShape, knobsOf, type Knob, type Target } from './fit.ts';
export { numberOf, ownNumber, shapeFields, withNumber } from './shapeNumbers.ts';
export { wantedAt } from './wanted.ts';
export { changeOf, laneMarks, type LaneMarks } from './marks.ts';
export { readRamp, type RampReading } from './read.ts';
export { reshape } from './reshape.ts';
export { roundToMultiple, toSignificant } from './round.ts';
export { noNumbersOf, seriesOf, valuesAt, withoutNumber, type NoNumber, type Series } from './series.ts';
export {
  SHAPES,
  shapeDefinition,
  type Handle,
  type ShapeChoice,
  type ShapeDefinition,
  type ShapeField,
} from './shapes/index.ts';
export { isBreather, readyRampValue, type ReadyRamp, type ReadySource } from './readyRamp.ts';
export { rampTable, rowWith, valuesIn, type RampRow, type Earlier, type RampTable } from './table.ts';
export {
  rawValue,
  isPinned,
  rampValue,
  afterBreather,
  readyRamp,
  type RampProject,
  type RampSource,
  type Values,
} from './values.ts';
