import { evaluate } from './evaluate.ts';
import { parseFormula } from './parse.ts';

/** What an expression without names comes to; not a number for anything else. @example arithmetic('48*1.25') // 60 */
export function arithmetic(text: string): number {
  const parsed = parseFormula(text);
  return parsed.ok ? evaluate(parsed.root, () => Number.NaN) : Number.NaN;
}
