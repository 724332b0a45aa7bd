import { memoizeByObject } from '../../basics/memo/index.ts';
import { isBreather, type RampRow } from '../../document/ramps/index.ts';
import type { ParameterFacts } from './scopes.ts';

/** A row as plain lists. */
const lists = memoizeByObject((row: RampRow) => ({ values: [...row.values], ramp: [...row.ramp] }));

/** A parameter's values over the sequence; undefined where it goes along a reading, or is read wrong anyway. */
export function rowOf({
  parameter,
  table,
  project,
}: ParameterFacts):
  | { values: readonly number[]; ramp: readonly number[]; slotId(position: number): string }
  | undefined {
  const row = table.rows.get(parameter.key);
  if (!row || parameter.ramp.axis !== undefined || row.values.length === 0) return undefined;
  return {
    ...lists(row),
    slotId: (position) => project.slots[position - 1]?.id ?? '',
  };
}

/** Is a position a breather of the parameter's ramp, or pinned? There its value is set on purpose. */
export function isOnPurpose({ parameter, project }: ParameterFacts, position: number): boolean {
  const { breather } = parameter.ramp;
  const slotId = project.slots[position - 1]?.id ?? '';
  return Object.hasOwn(parameter.pins, slotId) || isBreather({ breather }, position);
}

/** With its unit, as people write it. */
export const withUnit = (value: string, unit: string): string => (unit === '' ? value : `${value} ${unit}`);
