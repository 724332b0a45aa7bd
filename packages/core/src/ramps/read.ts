import type { Parameter } from '../model/index.ts';
import { rampValue } from './values.ts';

/** What a lane says of its ramp beside the line. */
export interface RampReading {
  /** First position at which the ramp stands on its cap or floor, if it does. */
  capReachedAt?: number;
  floorReachedAt?: number;
  lowest: number;
  highest: number;
}

/** Read a ramp over so many positions. */
export function readRamp(parameter: Parameter, positions: number): RampReading {
  const { ramp } = parameter;
  const reading: RampReading = { lowest: Number.POSITIVE_INFINITY, highest: Number.NEGATIVE_INFINITY };
  const values = [...Object.values(parameter.pins)];
  for (let position = 1; position <= Math.max(1, positions); position++) {
    const value = rampValue(ramp, position);
    values.push(value);
    if (ramp.atMost !== undefined && value >= ramp.atMost) reading.capReachedAt ??= position;
    if (ramp.atLeast !== undefined && value <= ramp.atLeast) reading.floorReachedAt ??= position;
  }
  for (const value of values) {
    if (value < reading.lowest) reading.lowest = value;
    if (value > reading.highest) reading.highest = value;
  }
  return reading;
}
