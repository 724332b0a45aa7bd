/**
 * Stars of a win on a ladder: one after the other, from the first, while the reading is at least the threshold.
 *
 * @param thresholds one per star, in the reading's unit; null takes nothing but the win
 * @example starsFor([null, 8, 19], 12) // 2
 */
export function starsFor(thresholds: readonly (number | null)[], reading: number): number {
  let stars = 0;
  for (const threshold of thresholds) {
    if (threshold !== null && reading < threshold - 1e-9) break;
    stars++;
  }
  return stars;
}
