import type { Pacer } from '../../document/model/index.ts';
import { PERFECT_PACER } from '../pacers/index.ts';
import { wilson } from '../../basics/stats/index.ts';
import type { Tally } from './tally.ts';

/** When to stop trying. */
export interface Precision {
  /** Half the width of the 95 % interval of the clear rate, as a share. */
  halfWidth: number;
  /** Attempts at least: fewer say nothing, however alike they are. */
  fewest: number;
  /** Attempts at most. */
  limit: number;
}

/**
 * ±3 points: about 1,060 attempts at 50 %, 390 at 90 %, 240 from 95 % on. With fewer the interval would hold rates near
 * 98 % in 93 of 100 cases only; so it holds all from 1 to 99 % in 94 at least.
 */
export const DEFAULT_PRECISION: Precision = { halfWidth: 0.03, fewest: 240, limit: 1200 };

/** How precisely a population is tried: players without mistakes 200 times, for what is possible. */
export const precisionFor = ({ id }: Pick<Pacer, 'id'>): Precision =>
  id === PERFECT_PACER.id ? { halfWidth: 1, fewest: 200, limit: 200 } : DEFAULT_PRECISION;

/** Number of attempts between two checks of the precision. It is the same everywhere, so the same question stops at the same attempt. */
export const LOOKED_AT_EVERY = 20;

/**
 * Is a forecast precise enough to stop? Stopping when the interval is narrow favours what makes it narrow: near 95 % the
 * estimate told leans outward by about half a point. The interval is honest all the same.
 */
export function isPreciseEnough(tally: Pick<Tally, 'attempts' | 'cleared'>, precision: Precision): boolean {
  if (tally.attempts >= precision.limit) return true;
  if (tally.attempts < precision.fewest || tally.attempts % LOOKED_AT_EVERY !== 0) return false;
  const { low, high } = wilson(tally.cleared, tally.attempts);
  return (high - low) / 2 <= precision.halfWidth;
}
