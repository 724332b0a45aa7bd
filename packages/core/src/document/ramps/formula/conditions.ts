import type { RampContext } from '../context.ts';
import { compile } from './compile.ts';
import { parseFormula } from './parse.ts';
import type { Node } from './types.ts';
import { written } from './written.ts';

/** A condition of an `if` in a formula, and where it holds. */
export interface FormulaCondition {
  /** As it is written, without needless brackets. */
  words: string;
  /** Ascending. */
  holdsAt: number[];
}

/** The conditions of all ifs, outer ones first. */
function conditionsOf(node: Node): Node[] {
  switch (node.is) {
    case 'if':
      return [node.condition, ...[node.condition, node.then, node.otherwise].flatMap(conditionsOf)];
    case 'minus':
      return conditionsOf(node.of);
    case 'operation':
      return [node.left, node.right].flatMap(conditionsOf);
    case 'call':
      return node.of.flatMap(conditionsOf);
    default:
      return [];
  }
}

/** Every condition of a formula with the places at which it holds; none where the formula cannot be read. */
export function conditionsIn(text: string, places: readonly number[], context: RampContext): FormulaCondition[] {
  const parsed = parseFormula(text);
  if (!parsed.ok) return [];
  return conditionsOf(parsed.root).map((node) => {
    const run = compile(node);
    const holds = (place: number): boolean => {
      const value = run(place, context);
      return Number.isFinite(value) && value !== 0;
    };
    return { words: written(node), holdsAt: places.filter(holds) };
  });
}
