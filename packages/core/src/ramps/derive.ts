import type { Parameter, Project } from '../model/index.ts';
import { roundToMultiple } from './round.ts';
import { shapeDefinition } from './shapes/index.ts';
import { isBreather, shapedValue } from './values.ts';

/** One step that made a value. */
export interface DerivationStep {
  step: 'shape' | 'breather' | 'at most' | 'at least' | 'rounded' | 'pinned';
  value: number;
  /** The step's own number: the cap, the multiple. Absent for the shape and the pin. */
  by?: number;
}

/** How a value came to be; the last step's value is the value. */
export type Derivation = readonly DerivationStep[];

/**
 * The chain that made a parameter's value at a position, in the order in which it is applied.
 *
 * @param position from 1
 * @example shape 4.25 → breather 3.4 → at most 3.2 → rounded 3.2 → pinned 2.63
 */
export function deriveValue(project: Pick<Project, 'slots'>, parameter: Parameter, position: number): Derivation {
  const { ramp, pins } = parameter;
  const steps: DerivationStep[] = [];
  let value = shapeDefinition(ramp.shape).valueAt(ramp.shape, position);
  steps.push({ step: 'shape', value });
  if (isBreather(ramp, position)) {
    value = shapedValue(ramp, position);
    steps.push({ step: 'breather', value });
  }
  if (ramp.atMost !== undefined) {
    value = Math.min(value, ramp.atMost);
    steps.push({ step: 'at most', value, by: ramp.atMost });
  }
  if (ramp.atLeast !== undefined) {
    value = Math.max(value, ramp.atLeast);
    steps.push({ step: 'at least', value, by: ramp.atLeast });
  }
  if (ramp.roundTo !== undefined) {
    value = roundToMultiple(value, ramp.roundTo);
    steps.push({ step: 'rounded', value, by: ramp.roundTo });
  }
  const slotId = project.slots[position - 1]?.id;
  if (slotId !== undefined && Object.hasOwn(pins, slotId))
    steps.push({ step: 'pinned', value: pins[slotId] as number });
  return steps;
}
