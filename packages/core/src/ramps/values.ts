import type { Parameter, Project } from '../model/index.ts';
import { PLAIN, type RampContext } from './context.ts';
import { roundToMultiple } from './round.ts';
import { shapeDefinition } from './shapes/index.ts';

/** Every parameter's value at one slot, by key. */
export type Values = Readonly<Record<string, number>>;

/** A ramp, and the range whose ends stand in where it gives no number. */
export type RampSource = Pick<Parameter, 'ramp' | 'sane'>;

/** The parts of a project that its ramps depend on. */
export type RampProject = Pick<Project, 'parameters' | 'slots' | 'tiers' | 'liveTiers'>;

/** Does the ramp's breather fall on this position? */
export const isBreather = ({ breather }: Parameter['ramp'], position: number): boolean =>
  breather !== undefined && position >= breather.startingAt && (position - breather.startingAt) % breather.every === 0;

/** The shape's own value at a place, before any modifier; may be no number at all. */
export const courseAt = ({ shape }: Parameter['ramp'], place: number, context: RampContext = PLAIN): number =>
  shapeDefinition(shape).valueAt(shape, place, context);

/** What stands in for a value that is no finite number: the end of the sane range that it runs away to, or the lower one. */
export const fallback = (value: number, { min, max }: Parameter['sane']): number =>
  Number.isFinite(value) ? value : value === Number.POSITIVE_INFINITY ? max : min;

/** The shape's value, or what stands in for it. */
function numberAt({ ramp, sane }: RampSource, place: number, context: RampContext): number {
  const value = courseAt(ramp, place, context);
  return Number.isFinite(value) ? value : fallback(value, sane);
}

/** Shape and breather, without any other modifier. Nothing lies before the first place: “earlier” stops there. */
export function shapedValue(source: RampSource, place: number, context: RampContext = PLAIN): number {
  const { breather } = source.ramp;
  if (breather === undefined || !isBreather(source.ramp, place)) return numberAt(source, place, context);
  const { takes } = breather;
  return takes.is === 'times'
    ? numberAt(source, place, context) * takes.factor
    : numberAt(source, Math.max(context.first, place - takes.levels), context);
}

/** The ramp's own value at a place on its axis, without pins: shape → breather → at most / at least → rounding. */
export function rampValue(source: RampSource, place: number, context: RampContext = PLAIN): number {
  const { ramp } = source;
  let value = shapedValue(source, place, context);
  if (ramp.atMost !== undefined && value > ramp.atMost) value = ramp.atMost;
  if (ramp.atLeast !== undefined && value < ramp.atLeast) value = ramp.atLeast;
  return ramp.roundTo === undefined ? value : roundToMultiple(value, ramp.roundTo);
}

/** Is the parameter set by hand at this slot? */
export const isPinned = ({ pins }: Pick<Parameter, 'pins'>, slotId: string | undefined): slotId is string =>
  slotId !== undefined && Object.hasOwn(pins, slotId);
