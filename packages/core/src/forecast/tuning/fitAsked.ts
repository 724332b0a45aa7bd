import type { Parameter, Project, Ramp, Shape } from '../../document/model/index.ts';
import { rampValue, sequenceContext, SHAPES, toSignificant } from '../../document/ramps/index.ts';
import type { Interval } from '../../basics/stats/index.ts';

/** The request of a fit: what may be turned, and to which rates. */
export interface FitAsked {
  /** Keys of the parameters whose ramps may be turned. */
  keys: readonly string[];
  /** A stretch of the sequence, both ends included. */
  from: number;
  to: number;
  /** Wanted clear rates by position from 1; undefined for none. */
  wanted: readonly (number | undefined)[];
  /** Keep the shapes, or let ramps go through a point at every level of the stretch. */
  by: 'own' | 'points';
  /** Between which values a parameter may be turned, where that is less than its sane range. */
  bounds?: Readonly<Record<string, { min: number; max: number }>>;
}

/** Why a level is not where it is wanted: nothing that may be turned changes its clear rate, its value is pinned, it is at the end of its range, or the shape cannot bend so. */
export type Unmet = 'nothing acts' | 'pinned' | 'at its end' | 'shape';

export interface FitSlot {
  position: number;
  wanted: number;
  /** Null until the level has been tried. */
  before: number | null;
  /** Clear rate that is expected with the turned ramps. */
  expected: number;
  /** Clear rate in confirming attempts, once they were played. */
  after: { share: number; interval: Interval } | null;
  unmet: Unmet | null;
}

export interface RampFit {
  stage: 'looking' | 'trying' | 'confirming' | 'done';
  attempts: number;
  slots: FitSlot[];
  /** The turned ramps, by parameter. */
  ramps: Record<string, Ramp>;
}

/** The value of a ramp's point at a position; undefined where it has none. */
export const pointAt = (shape: Shape, position: number): number | undefined =>
  shape.type === 'points' ? shape.points.find((point) => point.position === position)?.value : undefined;

/** A ramp that is to be held by points has one at every level of the stretch; nothing else limits it but its range. */
export function shapedFor(project: Project, { by, from, to }: FitAsked, { ramp }: Parameter): Ramp {
  if (by === 'own') return ramp;
  const { breather: _breather, atLeast: _atLeast, atMost: _atMost, ...rest } = ramp;
  const context = sequenceContext(project);
  const values = project.slots.map((_, index) =>
    rampValue({ ramp, sane: { min: -1e9, max: 1e9 } }, index + 1, context),
  );
  const points = values.flatMap((value, index) => {
    const position = index + 1;
    const isInside = position >= from && position <= to;
    const isEdge = position === 1 || position === values.length || position === from - 1 || position === to + 1;
    return isInside || isEdge ? [{ position, value: toSignificant(value) }] : [];
  });
  const shape: Shape = points.length > 1 ? { ...SHAPES.points.fromValues(values, context), points } : ramp.shape;
  return { ...rest, shape };
}
