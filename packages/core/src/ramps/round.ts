/** Quotients this close to a half are taken as that half: 1.075 / 0.05 is 21.499999999999996 in binary. */
const TOLERANCE = 1e-9;

/**
 * The nearest multiple, half away from zero.
 *
 * @param multiple above 0, in the value's unit
 * @returns free of binary noise where 1/multiple is a whole number
 * @example roundToMultiple(1.075, 0.05) // 1.1
 */
export function roundToMultiple(value: number, multiple: number): number {
  const quotient = Math.abs(value) / multiple;
  const whole = Math.floor(quotient + 0.5 + TOLERANCE * Math.max(1, quotient));
  const perUnit = Math.round(1 / multiple);
  const clean = perUnit > 0 && Math.abs(1 / multiple - perUnit) < TOLERANCE * perUnit;
  const size = clean ? whole / perUnit : whole * multiple;
  return value < 0 ? 0 - size : size;
}

/** Significant digits that keep every designed number and drop binary noise. */
const DESIGNED_DIGITS = 10;

/** The value with so many significant digits. @example toSignificant(0.1 + 0.2) // 0.3 */
export const toSignificant = (value: number, digits = DESIGNED_DIGITS): number => Number(value.toPrecision(digits));
