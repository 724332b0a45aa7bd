import type { ShareDifference } from './difference.ts';
import { Z_95 } from './wilson.ts';

/** Added to each of the four cells of a pair's table: the interval then holds what it says for few pairs too. */
const ADDED = 0.5;

/**
 * The difference of two shares of the same cases, each tried both ways, with its interval: what is alike in both ways
 * drops out, so it is narrower than that of independent cases.
 *
 * @param first outcome of each case the first way
 * @param second of the same cases in the same order, the second way
 * @returns second less first, over as many cases as both have; without any, −1 to 1
 *
 * Source: A. Agresti and Y. Min (2005), Simple improved confidence intervals for comparing matched proportions,
 * Statistics in Medicine 24:729–740. The difference itself is the plain one.
 */
export function pairedDifference(first: readonly boolean[], second: readonly boolean[], z = Z_95): ShareDifference {
  const pairs = Math.min(first.length, second.length);
  if (pairs === 0) return { difference: 0, low: -1, high: 1 };
  let lost = 0;
  let gained = 0;
  for (let i = 0; i < pairs; i++) {
    if (first[i] && !second[i]) lost++;
    if (!first[i] && second[i]) gained++;
  }
  const [b, c, n] = [lost + ADDED, gained + ADDED, pairs + 4 * ADDED];
  const middle = (c - b) / n;
  const spread = (z * Math.sqrt(b + c - ((c - b) * (c - b)) / n)) / n;
  return {
    difference: (gained - lost) / pairs,
    low: Math.max(-1, middle - spread),
    high: Math.min(1, middle + spread),
  };
}
