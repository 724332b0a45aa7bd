import type { Parameter, Project } from '../model/index.ts';
import { roundToMultiple } from './round.ts';
import { shapeDefinition } from './shapes/index.ts';

/** Every parameter's value at one slot, by key. */
export type Values = Readonly<Record<string, number>>;

/** Every parameter's value at every slot. */
export interface RampTable {
  slotIds: string[];
  /** By parameter key, one value per slot in the order of the sequence. */
  rows: Map<string, Float64Array>;
}

/** Does the ramp's breather fall on this position? */
export const isBreather = ({ breather }: Parameter['ramp'], position: number): boolean =>
  breather !== undefined && position >= breather.startingAt && (position - breather.startingAt) % breather.every === 0;

/** Shape and breather, without any other modifier. Nothing lies before position 1: “earlier” stops there. */
export function shapedValue(ramp: Parameter['ramp'], position: number): number {
  const { shape, breather } = ramp;
  const definition = shapeDefinition(shape);
  if (!breather || !isBreather(ramp, position)) return definition.valueAt(shape, position);
  const { takes } = breather;
  return takes.is === 'times'
    ? definition.valueAt(shape, position) * takes.factor
    : definition.valueAt(shape, Math.max(1, position - takes.levels));
}

/** The ramp's own value at a position, without pins: shape → breather → at most / at least → rounding. */
export function rampValue(ramp: Parameter['ramp'], position: number): number {
  let value = shapedValue(ramp, position);
  if (ramp.atMost !== undefined && value > ramp.atMost) value = ramp.atMost;
  if (ramp.atLeast !== undefined && value < ramp.atLeast) value = ramp.atLeast;
  return ramp.roundTo === undefined ? value : roundToMultiple(value, ramp.roundTo);
}

/** A parameter's value at a slot: its pin there, or the ramp's. */
function valueAt(parameter: Parameter, position: number, slotId: string | undefined): number {
  if (slotId !== undefined && Object.hasOwn(parameter.pins, slotId)) return parameter.pins[slotId] as number;
  return rampValue(parameter.ramp, position);
}

/** All parameters at one position (from 1; past the last slot the ramps go on, without pins). */
export function valuesAt(project: Pick<Project, 'parameters' | 'slots'>, position: number): Values {
  const slotId = project.slots[position - 1]?.id;
  const values: Record<string, number> = {};
  for (const parameter of project.parameters) values[parameter.key] = valueAt(parameter, position, slotId);
  return values;
}

/** All parameters over the whole sequence. */
export function rampTable(project: Pick<Project, 'parameters' | 'slots'>): RampTable {
  const slotIds = project.slots.map((slot) => slot.id);
  const rows = new Map<string, Float64Array>();
  for (const parameter of project.parameters) {
    const row = new Float64Array(slotIds.length);
    for (let i = 0; i < row.length; i++) row[i] = valueAt(parameter, i + 1, slotIds[i]);
    rows.set(parameter.key, row);
  }
  return { slotIds, rows };
}
