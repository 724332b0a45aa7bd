export { conditionsIn, type FormulaCondition } from './conditions.ts';
export { READING_NAME } from './compile.ts';
export { faultOf, type FormulaFault } from './faults.ts';
export { FUNCTIONS, type FormulaFunction } from './functions.ts';
export { actionFormulaError, cyclesOf, formulaError, namesIn, OWN_NAMES } from './names.ts';
export { arithmetic } from './arithmetic.ts';
export { log, power } from './numerics.ts';
export { parseFormula } from './parse.ts';
export type { FormulaError, ParsedFormula } from './types.ts';
