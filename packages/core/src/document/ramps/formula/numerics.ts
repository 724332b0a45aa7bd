import { exp2, powerOf } from '../exponential.ts';
import { noiseOf } from '../noise.ts';

/** ln 2 and √2 to 17 digits, as IEEE 754 doubles hold them. */
const LN2 = 0.6931471805599453;
const SQRT2 = 1.4142135623730951;
/** |z| ≤ 0.1716: the next term of the series is below 1e-17. */
const TERMS = 11;

/** The whole number that a value is but for binary noise, or the value: 0.3 / 0.1 is 2.9999999999999996. */
export function clean(value: number): number {
  const whole = Math.round(value);
  return Math.abs(value - whole) <= noiseOf(Math.abs(value)) ? whole : value;
}

/** Are two numbers the same but for binary noise? */
export const same = (a: number, b: number): boolean =>
  a === b || Math.abs(a - b) <= noiseOf(Math.max(Math.abs(a), Math.abs(b)));

/**
 * Natural logarithm by + − × ÷ alone, right to 1e-15 of its size or of 1: x = m × 2^k with m about 1, and
 * ln m = 2 (z + z³/3 + z⁵/5 …) with z = (m − 1) / (m + 1).
 *
 * Source: NIST Digital Library of Mathematical Functions, 4.6.4.
 */
export function log(x: number): number {
  if (Number.isNaN(x) || x < 0) return Number.NaN;
  if (x === 0) return Number.NEGATIVE_INFINITY;
  if (x === Number.POSITIVE_INFINITY) return x;
  let power = 0;
  let m = x;
  while (m > SQRT2) {
    m /= 2;
    power++;
  }
  while (m < SQRT2 / 2) {
    m *= 2;
    power--;
  }
  const z = (m - 1) / (m + 1);
  const squared = z * z;
  let sum = 0;
  for (let n = TERMS; n >= 0; n--) sum = sum * squared + 1 / (2 * n + 1);
  return power * LN2 + 2 * z * sum;
}

/** A power: by squaring where the exponent is whole. A negative base has whole powers only. */
export function power(base: number, exponent: number): number {
  const whole = base < 0 ? clean(exponent) : exponent;
  if (Number.isInteger(whole) && Math.abs(whole) <= 1024) return powerOf(base, whole);
  if (base === 0) return exponent > 0 ? 0 : Number.POSITIVE_INFINITY;
  return exp2((exponent * log(base)) / LN2);
}
