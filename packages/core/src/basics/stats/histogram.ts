/** Counts in equal bins over [low, high]; the last bin includes its upper edge. */
export interface Histogram {
  low: number;
  high: number;
  counts: number[];
}

/**
 * Count values into equal bins. Values outside [low, high] go to the nearest end bin.
 *
 * @param bins whole number, at least 1
 * @example histogram([0, 1, 2], 0, 2, 2) // { low: 0, high: 2, counts: [1, 2] }
 */
export function histogram(values: readonly number[], low: number, high: number, bins: number): Histogram {
  const counts = new Array<number>(bins).fill(0);
  const width = (high - low) / bins;
  for (const value of values) {
    const bin = width > 0 ? Math.floor((value - low) / width) : 0;
    const kept = Math.min(bins - 1, Math.max(0, bin));
    counts[kept] = (counts[kept] as number) + 1;
  }
  return { low, high, counts };
}
