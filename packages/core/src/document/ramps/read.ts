import type { Ramp } from '../model/index.ts';
import type { RampRow } from './table.ts';

/** The words of a lane about its ramp, beside the line. */
export interface RampReading {
  /** First position at which the ramp stands on its cap or floor, if it does. */
  capReachedAt?: number;
  floorReachedAt?: number;
  lowest: number;
  highest: number;
}

/** Read a ramp over a row of its values, and of the pins that lie in it. */
export function readRamp(ramp: Ramp, { values, ramp: course }: RampRow): RampReading {
  const reading: RampReading = { lowest: Number.POSITIVE_INFINITY, highest: Number.NEGATIVE_INFINITY };
  for (let i = 0; i < course.length; i++) {
    const value = course[i] as number;
    if (ramp.atMost !== undefined && value >= ramp.atMost) reading.capReachedAt ??= i + 1;
    if (ramp.atLeast !== undefined && value <= ramp.atLeast) reading.floorReachedAt ??= i + 1;
    for (const each of [value, values[i] as number]) {
      if (each < reading.lowest) reading.lowest = each;
      if (each > reading.highest) reading.highest = each;
    }
  }
  return reading;
}
