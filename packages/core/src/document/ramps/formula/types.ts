import type { RampContext, Whose } from '../context.ts';

/** A formula made ready: its value at a place. Not a number, or infinite, where it divides by zero or asks for what is not there. */
export type Run = (place: number, context: RampContext) => number;

/** A node of a formula's own syntax tree. */
export type Node =
  | { is: 'number'; value: number }
  | { is: 'name'; name: string }
  | { is: 'statistic'; of: Whose; name: string }
  | { is: 'minus'; of: Node }
  | { is: 'operation'; operation: Operation; left: Node; right: Node }
  | { is: 'if'; condition: Node; then: Node; otherwise: Node }
  | { is: 'call'; name: string; of: Node[] };

export type Operation = '+' | '-' | '*' | '/' | '%' | '^' | '==' | '!=' | '<' | '<=' | '>' | '>=';

/** An error in a formula, with its place. */
export interface FormulaError {
  /** From 1. */
  column: number;
  /** Characters it concerns, 1 at least. */
  length: number;
  message: string;
}

/** A name in a formula and where it stands. */
export interface NameUse {
  name: string;
  /** From 1. */
  column: number;
}

/** A parsed formula: names of parameters and of the language, and names of statistics. */
export type ParsedFormula =
  | { ok: true; root: Node; names: readonly NameUse[]; statistics: readonly NameUse[]; run: Run }
  | { ok: false; error: FormulaError };
