import type { Stars } from '../../document/model/index.ts';

/** Returns the number of stars that a level can give. */
export const starCount = (stars: Stars): number =>
  stars.is === 'ladder' ? stars.thresholds.length : stars.conditions.length;

/**
 * Stars of a win on a ladder: one after the other, from the first, while the reading meets the threshold.
 *
 * @param thresholds one per star, in the reading's unit; null takes nothing but the win
 * @param atMost true where less is better
 * @example starsFor([null, 8, 19], 12) // 2
 */
export function starsFor(thresholds: readonly (number | null)[], reading: number, atMost = false): number {
  let stars = 0;
  for (const threshold of thresholds) {
    if (threshold !== null && (atMost ? reading > threshold + 1e-9 : reading < threshold - 1e-9)) break;
    stars++;
  }
  return stars;
}
