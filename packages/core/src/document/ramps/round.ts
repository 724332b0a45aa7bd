import type { Ramp } from '../model/index.ts';
import { noiseOf } from './noise.ts';

type Caps = Pick<Ramp, 'roundTo' | 'atLeast' | 'atMost'>;

/** How many multiples make a unit, where that is a whole number: dividing by it leaves no binary noise, 3 × 0.1 does. */
function perUnit(multiple: number): number | undefined {
  const per = 1 / multiple;
  const whole = Math.round(per);
  return whole > 0 && Math.abs(per - whole) <= noiseOf(per) ? whole : undefined;
}

function times(count: number, multiple: number): number {
  const per = perUnit(multiple);
  return per === undefined ? count * multiple : count / per;
}

/**
 * The nearest multiple, half away from zero. Quotients that are a half but for binary noise are halves: 1.075 / 0.05 is
 * 21.499999999999996.
 *
 * @param multiple above 0, in the value's unit
 * @returns free of binary noise where 1/multiple is a whole number
 * @example roundToMultiple(1.075, 0.05) // 1.1
 */
export function roundToMultiple(value: number, multiple: number): number {
  const quotient = Math.abs(value) / multiple;
  const size = times(Math.floor(quotient + 0.5 + noiseOf(quotient)), multiple);
  return value < 0 ? 0 - size : size;
}

/**
 * The nearest multiple between two bounds; the value itself where no multiple lies between them.
 *
 * @param value between the bounds
 * @example roundWithin(2.63, 0.05, -Infinity, 2.63) // 2.6
 */
export function roundWithin(value: number, multiple: number, low: number, high: number): number {
  const rounded = roundToMultiple(value, multiple);
  if (rounded >= low && rounded <= high) return rounded;
  const count = value / multiple;
  const inside = times(
    rounded > high ? Math.floor(count + noiseOf(Math.abs(count))) : Math.ceil(count - noiseOf(Math.abs(count))),
    multiple,
  );
  return inside >= low && inside <= high ? inside : value;
}

/** A value rounded as its ramp says, never beyond a cap of it; as it is where the ramp says nothing of rounding. @param value between the caps */
export const roundedBy = (value: number, { roundTo, atLeast, atMost }: Caps): number =>
  roundTo === undefined
    ? value
    : roundWithin(value, roundTo, atLeast ?? Number.NEGATIVE_INFINITY, atMost ?? Number.POSITIVE_INFINITY);

/** Significant digits that keep every designed number and drop binary noise. */
const DESIGNED_DIGITS = 10;

/** Returns the value with a number of significant digits. @example toSignificant(0.1 + 0.2) // 0.3 */
export const toSignificant = (value: number, digits = DESIGNED_DIGITS): number => Number(value.toPrecision(digits));
