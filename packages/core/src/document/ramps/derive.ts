import type { Parameter } from '../model/index.ts';
import type { RampContext } from './context.ts';
import { roundedBy } from './round.ts';
import { seriesOf } from './series.ts';
import { fallback, isBreather } from './readyRamp.ts';
import { rawValue, isPinned, afterBreather, type RampProject, type RampSource } from './values.ts';

/** One step that made a value. */
export interface DerivationStep {
  step: 'shape' | 'no number' | 'breather' | 'at most' | 'at least' | 'rounded' | 'pinned';
  value: number;
  /** The step's own number: the cap, the multiple. Absent for the shape and the pin. */
  by?: number;
}

/** How a value came to be; the last step's value is the value. */
export type Derivation = readonly DerivationStep[];

/** The chain that made what a ramp gives at a place on its axis, in the order in which it is applied. */
function deriveRamp(source: RampSource, place: number, context: RampContext): DerivationStep[] {
  const { ramp, sane } = source;
  const steps: DerivationStep[] = [];
  let value = rawValue(ramp, place, context);
  steps.push({ step: 'shape', value });
  if (!Number.isFinite(value)) {
    value = fallback(value, sane);
    steps.push({ step: 'no number', value });
  }
  if (isBreather(ramp, place)) {
    value = afterBreather(source, place, context);
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
    value = roundedBy(value, ramp);
    steps.push({ step: 'rounded', value, by: ramp.roundTo });
  }
  if (!Number.isFinite(value)) steps.push({ step: 'no number', value: fallback(value, sane) });
  return steps;
}

/**
 * The chain that made a parameter's value at a position, in the order in which it is applied.
 *
 * @param position from 1
 * @param reading where the reading stands that the ramp goes along; along the sequence, nothing
 * @example shape 4.25 → breather 3.4 → at most 3.2 → rounded 3.2 → pinned 2.63
 */
export function deriveValue(project: RampProject, parameter: Parameter, position: number, reading = 0): Derivation {
  const context = seriesOf(project).contextOf(parameter, position);
  const steps = deriveRamp(parameter, parameter.ramp.axis === undefined ? position : reading, context);
  const slotId = project.slots[position - 1]?.id;
  if (isPinned(parameter, slotId)) steps.push({ step: 'pinned', value: parameter.pins[slotId] as number });
  return steps;
}
