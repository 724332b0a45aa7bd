export { conditionsIn, type FormulaCondition } from './conditions.ts';
export { evaluate } from './evaluate.ts';
export { FUNCTIONS, type FormulaFunction } from './functions.ts';
export { cyclesOf, formulaError, meaningOf, namesIn, OWN_NAMES, READING_NAME } from './names.ts';
export { arithmetic } from './arithmetic.ts';
export { log, power } from './numerics.ts';
export { parseFormula } from './parse.ts';
export type { FormulaError, ParsedFormula } from './types.ts';
