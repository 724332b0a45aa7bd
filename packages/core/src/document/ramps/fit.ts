import type { Shape } from '../model/index.ts';
import type { RampContext } from './context.ts';
import { inverseOf } from '../../basics/stats/index.ts';
import { ownNumber, shapeFields, withNumber } from './shapeNumbers.ts';
import { rawValue } from './values.ts';

/** A value that a ramp should have at a place. */
export interface Target {
  place: number;
  value: number;
}

/** One number of a shape that may be turned so that its course changes. */
export interface Knob {
  read(shape: Shape): number;
  write(shape: Shape, value: number): Shape;
}

/** The numbers of a shape that say how high it runs; those that say when it turns stay. */
export function knobsOf(shape: Shape, context: RampContext): Knob[] {
  if (shape.type === 'points') {
    return shape.points.map((_, index) => ({
      read: (from) => (from.type === 'points' ? (from.points[index]?.value ?? 0) : 0),
      write: (from, value) =>
        from.type !== 'points'
          ? from
          : { ...from, points: from.points.map((point, at) => (at === index ? { ...point, value } : point)) },
    }));
  }
  return shapeFields(shape, context)
    .filter(({ measure }) => measure === 'value' || measure === 'share')
    .map((field) => ({
      read: (from) => ownNumber(from, field) ?? 0,
      write: (from, value) => withNumber(from, field, value),
    }));
}

const square = (x: number): number => x * x;

const ROUNDS = 30;
/** Share of the diagonal: of several ways to meet the targets, the one that changes least. */
const RIDGE = 1e-7;
const DIGITS = 6;
const NEGLIGIBLE_SHARE = 1e-6;

/**
 * A shape's own numbers turned so that its course comes nearest to some values, by least squares (Gauss–Newton: one
 * round where the course is linear in its numbers). What has no bearing on the targets stays as it is.
 *
 * @returns undefined for a shape without such numbers, a formula
 */
export function fitShape(shape: Shape, targets: readonly Target[], context: RampContext): Shape | undefined {
  const knobs = knobsOf(shape, context);
  if (knobs.length === 0 || targets.length === 0) return undefined;
  const course = (of: Shape): number[] => targets.map(({ place }) => rawValue({ shape: of }, place, context));
  const miss = (of: Shape): number =>
    course(of).reduce((sum, value, i) => sum + square((targets[i] as Target).value - value), 0);
  /** As far along a change as brings it nearer: all the way, half, a quarter …; undefined where nothing does. */
  const nearer = (from: Shape, change: readonly number[]): Shape | undefined => {
    for (let part = 1; part > 1e-3; part /= 2) {
      const next = knobs.reduce((to, knob, i) => knob.write(to, knob.read(from) + part * (change[i] as number)), from);
      if (miss(next) < miss(from) - 1e-18) return next;
    }
    return undefined;
  };
  let fitted = shape;
  for (let round = 0; round < ROUNDS; round++) {
    const now = course(fitted);
    const slopes = knobs.map((knob) => {
      const at = knob.read(fitted);
      const by = Math.max(1e-4, Math.abs(at) * 1e-4);
      const up = course(knob.write(fitted, at + by));
      const down = course(knob.write(fitted, at - by));
      return up.map((value, i) => (value - (down[i] as number)) / (2 * by));
    });
    const dot = (a: readonly number[], b: readonly number[]): number =>
      a.reduce((sum, v, i) => sum + v * (b[i] as number), 0);
    const matrix = slopes.map((a) => slopes.map((b) => dot(a, b)));
    const most = Math.max(...matrix.map((row, i) => row[i] as number));
    matrix.forEach((row, i) => (row[i] = (row[i] as number) + most * RIDGE));
    const left = targets.map(({ value }, i) => value - (now[i] as number));
    const inverse = inverseOf(matrix);
    if (!inverse) break;
    const pull = slopes.map((slope) => dot(slope, left));
    const change = inverse.map((row) => dot(row, pull));
    const better = nearer(fitted, change);
    if (!better) break;
    fitted = better;
  }
  // A result that is negligible beside the targets is 0, not a trace of the arithmetic.
  const least = NEGLIGIBLE_SHARE * Math.max(...targets.map(({ value }) => Math.abs(value)));
  const tidied = (value: number): number => (Math.abs(value) < least ? 0 : Number(value.toPrecision(DIGITS)));
  return knobs.reduce((from, knob) => knob.write(from, tidied(knob.read(from))), fitted);
}
