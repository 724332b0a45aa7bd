import { clean, log, power } from './numerics.ts';
import { noiseOf } from '../noise.ts';
import { roundToMultiple } from '../round.ts';

/** A function that formulas can call. */
export interface FormulaFunction {
  name: string;
  /** Names of what it takes, as its help shows them. */
  takes: readonly string[];
  /** Takes any number of them, one at least. */
  many?: boolean;
  does: string;
  run(of: readonly number[]): number;
}

const f = (
  name: string,
  takes: string,
  does: string,
  run: (...of: [number, number, number]) => number,
): FormulaFunction => ({
  name,
  takes: takes.split(' '),
  does,
  run: (of) => run(...(of as [number, number, number])),
});

/** Every function besides `if`, which looks at one of its two values only. */
export const FUNCTIONS: readonly FormulaFunction[] = [
  { name: 'min', takes: ['a', 'b'], many: true, does: 'the least of them', run: (of) => Math.min(...of) },
  { name: 'max', takes: ['a', 'b'], many: true, does: 'the greatest of them', run: (of) => Math.max(...of) },
  f('floor', 'x', 'down to a whole number', (x) => Math.floor(clean(x))),
  f('ceil', 'x', 'up to a whole number', (x) => Math.ceil(clean(x))),
  f('round', 'x', 'to the nearest whole number, half away from zero', (x) => roundToMultiple(x, 1)),
  f('abs', 'x', 'without its sign', (x) => Math.abs(x)),
  f('mod', 'a b', 'what is left of a after whole times b; 0 up to b, as % is', (a, b) => remainder(a, b)),
  f('clamp', 'x low high', 'x, but not below low and not above high', (x, low, high) =>
    Math.min(high, Math.max(low, x)),
  ),
  f('lerp', 'a b share', 'from a at share 0 to b at share 1', (a, b, share) => a + (b - a) * share),
  f('pow', 'a b', 'a to the power of b, as ^ is', (a, b) => power(a, b)),
  f('log', 'x', 'the natural logarithm', (x) => log(x)),
  f('sqrt', 'x', 'the square root', (x) => Math.sqrt(x)),
];

/** Returns the remainder of a after whole multiples of b, with the sign of b, so that every fourth level is counted below 0, too. */
export function remainder(a: number, b: number): number {
  const left = a - b * Math.floor(clean(a / b));
  // A hair beside 0 is binary noise: 0.3 % 0.1 is 0.
  return Math.abs(left) <= noiseOf(Math.abs(a / b)) * Math.abs(b) ? 0 : left;
}
