import { wilson } from '../stats/index.ts';
import type { Tally } from './tally.ts';

/** When to stop trying. */
export interface Precision {
  /** Half the width of the 95 % interval of the clear rate, as a share. */
  halfWidth: number;
  /** Attempts at most. */
  limit: number;
}

/** ±3 points: about 1,060 attempts at 50 %, 390 at 90 %, 145 at 97 %. */
export const DEFAULT_PRECISION: Precision = { halfWidth: 0.03, limit: 1200 };

/** Fewer attempts than this say nothing, however alike they are. */
const FEWEST = 60;

/** Looked at every so many attempts only, wherever they are played: the same question stops at the same attempt. */
export const LOOKED_AT_EVERY = 20;

/**
 * Is a forecast precise enough to stop? Stopping when the interval is narrow favours what makes it narrow: near 95 % the
 * estimate told leans outward by about half a point. The interval is honest all the same.
 */
export function isPreciseEnough(tally: Pick<Tally, 'attempts' | 'cleared'>, precision: Precision): boolean {
  if (tally.attempts >= precision.limit) return true;
  if (tally.attempts < FEWEST || tally.attempts % LOOKED_AT_EVERY !== 0) return false;
  const { low, high } = wilson(tally.cleared, tally.attempts);
  return (high - low) / 2 <= precision.halfWidth;
}
