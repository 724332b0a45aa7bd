/** An interval of numbers, with ends that belong to it or not. */
interface Interval {
  low: number;
  high: number;
  withLow: boolean;
  withHigh: boolean;
}

/** A set of numbers: intervals that do not overlap, ascending. */
export type NumberSet = readonly Interval[];

const END = Number.POSITIVE_INFINITY;

export const NOTHING: NumberSet = [];
export const EVERYTHING: NumberSet = [{ low: -END, high: END, withLow: true, withHigh: true }];

/** Returns the numbers from `low` to `high`, both included unless said otherwise. */
export const between = (low: number, high: number, withLow = true, withHigh = true): NumberSet =>
  low < high || (low === high && withLow && withHigh) ? [{ low, high, withLow, withHigh }] : NOTHING;

export const only = (value: number): NumberSet => between(value, value);

export function intersection(one: NumberSet, other: NumberSet): NumberSet {
  return one
    .flatMap((a) =>
      other.flatMap((b) => {
        const low = Math.max(a.low, b.low);
        const high = Math.min(a.high, b.high);
        return between(
          low,
          high,
          (a.low < low || a.withLow) && (b.low < low || b.withLow),
          (a.high > high || a.withHigh) && (b.high > high || b.withHigh),
        );
      }),
    )
    .toSorted((a, b) => a.low - b.low);
}

export function complement(set: NumberSet): NumberSet {
  let rest: NumberSet = EVERYTHING;
  for (const { low, high, withLow, withHigh } of set)
    rest = intersection(rest, [
      ...(low === -END ? [] : between(-END, low, true, !withLow)),
      ...(high === END ? [] : between(high, END, !withHigh, true)),
    ]);
  return rest;
}

export const union = (one: NumberSet, other: NumberSet): NumberSet =>
  complement(intersection(complement(one), complement(other)));

/** Does every number of one set belong to another? */
export const isWithin = (one: NumberSet, other: NumberSet): boolean =>
  intersection(one, complement(other)).length === 0;
