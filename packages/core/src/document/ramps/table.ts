import type { Parameter } from '../model/index.ts';
import { namesIn } from './formula/index.ts';
import { seriesOf, type Series } from './series.ts';
import type { RampProject, Values } from './values.ts';

/** One parameter over the whole sequence, a number per position from 1. */
export interface RampRow {
  /** With pins. */
  values: Float64Array;
  /** Values of the ramp alone. */
  ramp: Float64Array;
}

/** Every parameter's value at every slot. */
export interface RampTable {
  slotIds: string[];
  /** Rows by parameter key, in the order of the sequence. */
  rows: Map<string, RampRow>;
}

/** A table worked out before, and what it was worked out from. */
export interface Earlier {
  project: RampProject;
  table: RampTable;
}

/** The keys of the parameters whose rows are as they were before. */
function unchanged(project: RampProject, before: RampProject): ReadonlySet<string> {
  const same = new Set<string>();
  if (project.slots !== before.slots) return same;
  const earlier = new Map(before.parameters.map((parameter) => [parameter.key, parameter]));
  const bands = project.tiers === before.tiers && project.liveTiers === before.liveTiers;
  const kept = ({ key, ramp, ...rest }: Parameter): boolean =>
    earlier.get(key)?.ramp === ramp &&
    earlier.get(key)?.pins === rest.pins &&
    earlier.get(key)?.sane === rest.sane &&
    (bands || (ramp.shape.type !== 'tiers' && ramp.shape.type !== 'formula'));
  for (const parameter of project.parameters) if (kept(parameter)) same.add(parameter.key);
  // A formula is as it was if all that it names is; round after round, since what it names may be a formula too.
  const formulas = project.parameters.flatMap(({ key, ramp: { shape } }) =>
    shape.type === 'formula' && same.has(key) ? [{ key, names: namesIn(shape.text) }] : [],
  );
  const keys = new Set([...earlier.keys(), ...project.parameters.map(({ key }) => key)]);
  for (let dropped = true; dropped;) {
    dropped = false;
    for (const { key, names } of formulas) {
      if (!same.has(key) || names.every((name) => !keys.has(name) || same.has(name))) continue;
      same.delete(key);
      dropped = true;
    }
  }
  return same;
}

/** Returns the row of one parameter over a number of positions. */
function rowOf({ slots }: RampProject, parameter: Parameter, positions: number, { rampAt }: Series): RampRow {
  const ramp = new Float64Array(positions);
  for (let i = 0; i < positions; i++) ramp[i] = rampAt(parameter, i + 1);
  const { pins } = parameter;
  const values = Float64Array.from(ramp);
  if (Object.keys(pins).length > 0) {
    slots.forEach(({ id }, index) => {
      if (index < positions && Object.hasOwn(pins, id)) values[index] = pins[id] as number;
    });
  }
  return { values, ramp };
}

/** The row of a parameter as it would be: all others stay as they are. */
export function rowWith(project: RampProject, parameter: Parameter, positions = project.slots.length): RampRow {
  const parameters = project.parameters.map((entry) => (entry.key === parameter.key ? parameter : entry));
  const changed = { ...project, parameters };
  return rowOf(changed, parameter, positions, seriesOf(changed));
}

/**
 * All parameters over the whole sequence.
 *
 * @param positions how far; past the last slot the ramps go on. The whole sequence when absent
 * @param earlier a table over as many positions: what has not changed since is taken from it, row by row
 */
export function rampTable(project: RampProject, positions = project.slots.length, earlier?: Earlier): RampTable {
  const series = seriesOf(project);
  const same = earlier ? unchanged(project, earlier.project) : new Set<string>();
  const rows = new Map<string, RampRow>();
  for (const parameter of project.parameters) {
    const before = same.has(parameter.key) ? earlier?.table.rows.get(parameter.key) : undefined;
    const kept = before?.values.length === positions ? before : undefined;
    rows.set(parameter.key, kept ?? rowOf(project, parameter, positions, series));
  }
  return { slotIds: project.slots.map((slot) => slot.id), rows };
}

/** All parameters at one position of a table. @param position from 1, within the table */
export function valuesIn({ rows }: RampTable, position: number): Values {
  const values: Record<string, number> = {};
  for (const [key, row] of rows) values[key] = row.values[position - 1] as number;
  return values;
}
