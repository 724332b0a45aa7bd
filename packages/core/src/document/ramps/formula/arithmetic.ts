import { PLAIN } from '../context.ts';
import { parseFormula } from './parse.ts';

/** Returns the value of an expression without names; NaN for anything else. @example arithmetic('48*1.25') // 60 */
export function arithmetic(text: string): number {
  const parsed = parseFormula(text);
  return parsed.ok && parsed.names.length === 0 ? parsed.run(0, PLAIN) : Number.NaN;
}
