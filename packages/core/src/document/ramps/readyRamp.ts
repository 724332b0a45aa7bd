import type { Parameter, Ramp } from '../model/index.ts';
import { PLAIN, type RampContext } from './context.ts';
import { roundedBy } from './round.ts';
import type { ReadyShape } from './shapes/types.ts';
import { valueOfShape } from './shapes/values.ts';

/** A ramp whose formula, if it has one, is read already. */
export type ReadyRamp = Omit<Ramp, 'shape'> & { shape: ReadyShape };

/** A ramp, and the range whose ends stand in where it gives no number: plain data that a game can take along. */
export interface ReadySource {
  ramp: ReadyRamp;
  sane: Parameter['sane'];
}

/** Does the ramp's breather fall on this position? */
export const isBreather = ({ breather }: Pick<ReadyRamp, 'breather'>, position: number): boolean =>
  breather !== undefined && position >= breather.startingAt && (position - breather.startingAt) % breather.every === 0;

/** Returns the replacement of a value that is no finite number: the end of the sane range in its direction, or the lower one. */
export const fallback = (value: number, { min, max }: Parameter['sane']): number =>
  Number.isFinite(value) ? value : value === Number.POSITIVE_INFINITY ? max : min;

/** The shape's value, or what stands in for it. */
const finiteValue = ({ ramp, sane }: ReadySource, place: number, context: RampContext): number =>
  fallback(valueOfShape(ramp.shape, place, context), sane);

/** Shape and breather, without any other modifier. Nothing lies before the first place: “earlier” stops there. */
export function readyAfterBreather(source: ReadySource, place: number, context: RampContext = PLAIN): number {
  const { breather } = source.ramp;
  if (breather === undefined || !isBreather(source.ramp, place)) return finiteValue(source, place, context);
  const { takes } = breather;
  return takes.is === 'times'
    ? finiteValue(source, place, context) * takes.factor
    : finiteValue(source, Math.max(context.first, place - takes.levels), context);
}

/** The ramp's own value at a place on its axis, without pins: shape → breather → at most / at least → rounding, never beyond a cap. */
export function readyRampValue(source: ReadySource, place: number, context: RampContext = PLAIN): number {
  const { ramp } = source;
  let value = readyAfterBreather(source, place, context);
  if (ramp.atMost !== undefined && value > ramp.atMost) value = ramp.atMost;
  if (ramp.atLeast !== undefined && value < ramp.atLeast) value = ramp.atLeast;
  value = roundedBy(value, ramp);
  // A breather's factor, or a multiple, may still lead out of all numbers.
  return fallback(value, source.sane);
}
