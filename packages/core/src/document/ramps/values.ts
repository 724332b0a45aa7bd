import type { Parameter, Project, Ramp } from '../model/index.ts';
import { PLAIN, type RampContext } from './context.ts';
import { parseFormula } from './formula/index.ts';
import { readyAfterBreather, readyRampValue, type ReadyRamp, type ReadySource } from './readyRamp.ts';
import { valueOfShape } from './shapes/values.ts';

/** Every parameter's value at one slot, by key. */
export type Values = Readonly<Record<string, number>>;

/** A ramp, and the range whose ends stand in where it gives no number. */
export type RampSource = Pick<Parameter, 'ramp' | 'sane'>;

/** The parts of a project that its ramps depend on. */
export type RampProject = Pick<Project, 'parameters' | 'slots' | 'tiers' | 'liveTiers'>;

const ready = new WeakMap<Ramp, ReadyRamp>();

/** The ramp with its formula read; one without a formula is ready as it is. */
export function readyRamp(ramp: Ramp): ReadyRamp {
  const { shape } = ramp;
  if (shape.type !== 'formula') return ramp as ReadyRamp;
  const before = ready.get(ramp);
  if (before) return before;
  const parsed = parseFormula(shape.text);
  const made: ReadyRamp = { ...ramp, shape: { type: 'formula', tree: parsed.ok ? parsed.root : null } };
  ready.set(ramp, made);
  return made;
}

/** Most ramps have no formula: they are taken as they are, without a new object for every value. */
const sourceOf = (source: RampSource): ReadySource =>
  source.ramp.shape.type === 'formula'
    ? { ramp: readyRamp(source.ramp), sane: source.sane }
    : (source as unknown as ReadySource);

/** The shape's own value at a place, before any modifier; may be no number at all. */
export const rawValue = (ramp: Ramp, place: number, context: RampContext = PLAIN): number =>
  valueOfShape(readyRamp(ramp).shape, place, context);

/** Shape and breather, without any other modifier. Nothing lies before the first place: “earlier” stops there. */
export const afterBreather = (source: RampSource, place: number, context: RampContext = PLAIN): number =>
  readyAfterBreather(sourceOf(source), place, context);

/** The ramp's own value at a place on its axis, without pins: shape → breather → at most / at least → rounding. */
export const rampValue = (source: RampSource, place: number, context: RampContext = PLAIN): number =>
  readyRampValue(sourceOf(source), place, context);

/** Is the parameter set by hand at this slot? */
export const isPinned = ({ pins }: Pick<Parameter, 'pins'>, slotId: string | undefined): slotId is string =>
  slotId !== undefined && Object.hasOwn(pins, slotId);
