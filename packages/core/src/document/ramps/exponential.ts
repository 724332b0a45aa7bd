/** Source: ln 2 to 17 digits, as IEEE 754 doubles hold it. */
const LN2 = 0.6931471805599453;
/** Terms of the series for |y| ≤ ln 2 / 2: the next one is below 1e-17. */
const TERMS = 18;

/**
 * 2 to a power, by + − × ÷ alone, so that it is the same bit for bit in every engine; right to 1e-14.
 *
 * @param x at most 1023 from 0; beyond, 0 or infinity
 * @example exp2(-1) // 0.5
 */
export function exp2(x: number): number {
  if (Number.isNaN(x)) return Number.NaN;
  if (x < -1074) return 0;
  if (x > 1023) return Number.POSITIVE_INFINITY;
  const whole = Math.round(x);
  const y = (x - whole) * LN2;
  let sum = 1;
  for (let n = TERMS; n >= 1; n--) sum = 1 + (y / n) * sum;
  return sum * powerOf(2, whole);
}

/** e to a power. See exp2. */
export const exp = (x: number): number => exp2(x / LN2);

/** A whole power, by squaring. @param exponent whole number */
export function powerOf(base: number, exponent: number): number {
  let result = 1;
  let square = base;
  for (let left = Math.abs(exponent); left > 0; left = Math.floor(left / 2)) {
    if (left % 2 === 1) result *= square;
    square *= square;
  }
  return exponent < 0 ? 1 / result : result;
}

/** The positive root of a positive number, by halving. @param root whole number, 1 or more @example rootOf(8, 3) // 2 */
export function rootOf(value: number, root: number): number {
  let low = 0;
  let high = Math.max(1, value);
  for (let i = 0; i < 200 && low < high; i++) {
    const middle = (low + high) / 2;
    if (middle === low || middle === high) break;
    if (powerOf(middle, root) < value) low = middle;
    else high = middle;
  }
  return high;
}
