/**
 * Quantile of values already sorted upwards, linear between neighbours (type 7 of Hyndman and Fan, 1996: R's default).
 *
 * @param sorted values, ascending
 * @param share 0–1
 * @returns NaN for no values
 * @example quantile([1, 2, 3, 4], 0.5) // 2.5
 */
export function quantile(sorted: readonly number[], share: number): number {
  if (sorted.length === 0) return Number.NaN;
  const place = (sorted.length - 1) * share;
  const below = Math.floor(place);
  const low = sorted[below] as number;
  const high = sorted[Math.min(below + 1, sorted.length - 1)] as number;
  return low + (high - low) * (place - below);
}
