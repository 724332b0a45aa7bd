import type { StarReading } from '../../document/model/index.ts';
import { quantile } from '../../basics/stats/index.ts';

/** A threshold that a share of those who clear a level meets. */
export interface ProposedStar {
  threshold: number;
  /** Share of clears that meet it. */
  share: number;
}

/** Returns the step of a readable threshold: whole seconds, pieces, lives; points in steps that grow with them. */
function stepOf(reading: StarReading, size: number): number {
  switch (reading) {
    case 'score':
    case 'worth':
      return size >= 1000 ? 50 : size >= 200 ? 10 : size >= 50 ? 5 : 1;
    case 'health':
      return 5;
    default:
      return 1;
  }
}

type Direction = 'atLeast' | 'atMost';

const EPSILON = 1e-9;

/** The share of readings that meet a threshold; 0 of none. */
export function shareMeeting(readings: readonly number[], direction: Direction, threshold: number): number {
  if (readings.length === 0) return 0;
  const met = readings.filter((value) =>
    direction === 'atLeast' ? value >= threshold - EPSILON : value <= threshold + EPSILON,
  );
  return met.length / readings.length;
}

/**
 * The threshold that nearest to a share of attempts meets, as people read it.
 *
 * @param readings of those who cleared the level
 * @param share of them, from 0 to 1: the best
 * @returns undefined where nobody cleared it
 */
export function thresholdFor(
  readings: readonly number[],
  reading: StarReading,
  direction: Direction,
  share: number,
): ProposedStar | undefined {
  if (readings.length === 0) return undefined;
  const ascending = readings.toSorted((one, other) => one - other);
  const exact = quantile(ascending, direction === 'atLeast' ? 1 - share : share);
  const step = stepOf(reading, Math.abs(exact));
  const candidates = [Math.floor(exact / step) * step, Math.ceil(exact / step) * step].map((threshold) => ({
    threshold,
    share: shareMeeting(ascending, direction, threshold),
  }));
  return candidates.toSorted((one, other) => Math.abs(one.share - share) - Math.abs(other.share - share))[0];
}

/** The time that a good attempt takes, in whole seconds. @param seconds of those who cleared the level @returns undefined where nobody did */
export function parFrom(seconds: readonly number[], of: 'best' | 'median'): number | undefined {
  if (seconds.length === 0) return undefined;
  const ascending = seconds.toSorted((one, other) => one - other);
  return Math.max(1, Math.ceil(quantile(ascending, of === 'best' ? 0 : 0.5) - EPSILON));
}
