import type { Parameter, Project } from '@stadion/core/document/model';
import { changeOf, deriveValue, isPinned, toSignificant, type RampRow } from '@stadion/core/document/ramps';

/** How a lane's values stand between its top and bottom, px. */
export interface LaneScale {
  low: number;
  high: number;
  top: number;
  bottom: number;
  y(value: number): number;
  valueAt(y: number): number;
}

/** A scale that holds every value, the cap and the floor, with some air. */
export function laneScale(values: readonly number[], ramp: Parameter['ramp'], top: number, bottom: number): LaneScale {
  const marks = [
    ...values,
    ...(ramp.atMost === undefined ? [] : [ramp.atMost]),
    ...(ramp.atLeast === undefined ? [] : [ramp.atLeast]),
  ];
  let low = Number.POSITIVE_INFINITY;
  let high = Number.NEGATIVE_INFINITY;
  for (const value of marks) {
    if (value < low) low = value;
    if (value > high) high = value;
  }
  if (!Number.isFinite(low)) {
    low = 0;
    high = 1;
  }
  const air = high > low ? (high - low) * 0.08 : Math.max(1, Math.abs(high) * 0.5);
  low -= air;
  high += air;
  return {
    low,
    high,
    top,
    bottom,
    y: (value) => bottom - ((value - low) / (high - low)) * (bottom - top),
    valueAt: (y) => low + ((bottom - y) / (bottom - top)) * (high - low),
  };
}

/** A number that is easy to say and near enough: what dragging gives. Rounded to the ramp's own multiple, or to a hundredth of the lane. */
export function handyValue(value: number, parameter: Parameter, scale: LaneScale): number {
  const { roundTo } = parameter.ramp;
  const span = (scale.high - scale.low) / 100;
  const multiple = roundTo ?? (parameter.number === 'whole' ? 1 : (MULTIPLES.find((step) => step >= span) ?? 1));
  return toSignificant(Math.round(value / multiple) * multiple);
}

const MULTIPLES = [0.001, 0.005, 0.01, 0.02, 0.05, 0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 50, 100];

/** Step of an arrow key on a lane: a fortieth of its range, rounded. */
export const keyStepOf = (parameter: Parameter, scale: LaneScale): number =>
  handyValue((scale.high - scale.low) / 40, parameter, scale) || parameter.ramp.roundTo || 1;

/** One slot of a lane. */
export interface LanePoint {
  position: number;
  /** Empty past the end of the sequence. */
  slotId: string;
  value: number;
  /** The value by the ramp alone. */
  ramp: number;
  pinned: boolean;
}

export function lanePoint(slots: Project['slots'], parameter: Parameter, row: RampRow, position: number): LanePoint {
  const slotId = slots[position - 1]?.id ?? '';
  const pinned = isPinned(parameter, slotId);
  return { position, slotId, value: row.values[position - 1] ?? 0, ramp: row.ramp[position - 1] ?? 0, pinned };
}

/** How a position's value differs from the one before it. @example '+0.15 (+7 %) on the level before' */
export function changeInWords(row: RampRow, position: number, say: (value: number) => string): string {
  if (position < 2) return '';
  const { by, share } = changeOf(row.values[position - 2] ?? 0, row.values[position - 1] ?? 0);
  if (by === 0) return 'as the level before';
  const sign = by > 0 ? '+' : '−';
  const percent = share === null ? '' : ` (${sign}${Math.round(Math.abs(share) * 100)} %)`;
  return `${sign}${say(Math.abs(by))}${percent} on the level before`;
}

/** A value's derivation, step by step, in a line. */
export function derivationInWords(
  project: Project,
  parameter: Parameter,
  position: number,
  say: (value: number) => string,
): string {
  return deriveValue(project, parameter, position)
    .map((step) => `${step.step}${step.by === undefined ? '' : ` ${say(step.by)}`} ${say(step.value)}`)
    .join(' → ');
}
