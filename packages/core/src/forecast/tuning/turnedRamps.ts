import {
  isPinned,
  knobsOf,
  rampValue,
  sequenceContext,
  type Knob,
  type RampContext,
} from '../../document/ramps/index.ts';
import type { Parameter, Project } from '../../document/model/index.ts';
import { inverseOf } from '../../basics/stats/index.ts';
import { alongLever, type Lever } from './levers.ts';
import { logOdds, odds } from './odds.ts';
import { stepOf } from './whatMovesIt.ts';

/** Parameters that may be turned, their bounds, and the stretch of the sequence. */
export interface Turnable {
  context: RampContext;
  /** As they are before anything is turned. */
  start: readonly Parameter[];
  bounds: readonly { min: number; max: number }[];
  /** A sensible step of each parameter. */
  steps: readonly number[];
  from: number;
  to: number;
}

/** The local model of one level around its present values. */
export interface LocalModel {
  position: number;
  wanted: number;
  /** Log odds of what is wanted, and how steep they are there. */
  wantedOdds: number;
  weight: number;
  /** Parameters that act there, as indices. */
  acting: readonly number[];
  /** Which parameters are pinned there. */
  pinned: readonly boolean[];
  /** Log odds at the values that the ramps began with, and by step of each acting parameter. */
  constant: number;
  slopes: readonly number[];
  /** In place of slopes, as long as the level has been looked at from far only: one for each acting parameter. */
  levers?: readonly Lever[] | undefined;
}

/** A miss of so much of a clear rate weighs as much as a step of a parameter costs. */
const MISS = 0.02;
const PRICE = 0.05;
const DIGITS = 4;
const ROUNDS = 25;
/** Wanted rates nearer to 0 or 1 than this are moved here, since log odds end there. */
const EDGE = 0.02;

export function turnable(
  project: Project,
  start: readonly Parameter[],
  {
    from,
    to,
    bounds = {},
  }: { from: number; to: number; bounds?: Readonly<Record<string, { min: number; max: number }>> | undefined },
): Turnable {
  const context = sequenceContext(project);
  const middle = Math.round((from + to) / 2);
  return {
    ...{ context, start, from, to },
    steps: start.map((parameter) => stepOf(parameter, rampValue(parameter, middle, context))),
    bounds: start.map(({ key, sane }) => {
      const { min, max } = bounds[key] ?? sane;
      return { min: Math.max(sane.min, min), max: Math.min(sane.max, max) };
    }),
  };
}

/** A level of which nothing is known yet. */
export function untried(project: Project, { start }: Turnable, position: number, wanted: number): LocalModel {
  const slotId = project.slots[position - 1]?.id;
  const kept = Math.min(1 - EDGE, Math.max(EDGE, wanted));
  return {
    ...{ position, wanted, wantedOdds: logOdds(kept), weight: kept * (1 - kept), acting: [] },
    pinned: start.map((parameter) => isPinned(parameter, slotId)),
    ...{ constant: 0, slopes: [] },
  };
}

export const clamped = ({ bounds }: Turnable, index: number, value: number): number =>
  Math.min(bounds[index]!.max, Math.max(bounds[index]!.min, value));

/** A parameter's value by its ramp, kept to its bounds. */
export const valueOf = (of: Turnable, index: number, parameter: Parameter, position: number): number =>
  clamped(of, index, rampValue(parameter, position, of.context));

/** Steps that a value at a level is away from where the ramps began. */
export const stepsFromStart = (of: Turnable, position: number, index: number, value: number): number =>
  (value - valueOf(of, index, of.start[index] as Parameter, position)) / (of.steps[index] as number);

/** The same for all parameters that act at a level. */
export const stepsAt = (of: Turnable, { acting, position }: LocalModel, ramps: readonly Parameter[]): number[] =>
  acting.map((index) => stepsFromStart(of, position, index, valueOf(of, index, ramps[index] as Parameter, position)));

const oddsBy = ({ constant, slopes, levers }: LocalModel, steps: readonly number[]): number =>
  steps.reduce(
    (sum, value, j) => sum + (levers ? alongLever(levers[j] as Lever, value) : value * (slopes[j] ?? 0)),
    constant,
  );

/** Returns the change of log odds by one step of an acting parameter, at a number of steps from the beginning. @param j its place among the acting ones */
export function slopeAt({ slopes, levers }: LocalModel, j: number, steps: number): number {
  const lever = levers?.[j];
  return lever ? (alongLever(lever, steps + 1) - alongLever(lever, steps - 1)) / 2 : (slopes[j] ?? 0);
}

/** The clear rate that a local model expects. */
export const shareAt = (of: Turnable, local: LocalModel, ramps: readonly Parameter[]): number =>
  odds(oddsBy(local, stepsAt(of, local, ramps)));

/** One number of one ramp. */
interface OfRamp {
  index: number;
  knob: Knob;
}

/** All numbers of all ramps that may be turned. */
const knobsIn = ({ context, from, to }: Turnable, ramps: readonly Parameter[]): OfRamp[] =>
  ramps.flatMap(({ ramp: { shape } }, index) =>
    knobsOf(shape, context).flatMap((knob, place) => {
      // Only points of the stretch are turned.
      const point = shape.type === 'points' ? shape.points[place] : undefined;
      return point && (point.position < from || point.position > to) ? [] : [{ index, knob }];
    }),
  );

const read = (ramps: readonly Parameter[], { index, knob }: OfRamp): number => knob.read(ramps[index]!.ramp.shape);

const written = (parameter: Parameter, knob: Knob, value: number): Parameter => ({
  ...parameter,
  ramp: { ...parameter.ramp, shape: knob.write(parameter.ramp.shape, value) },
});

const writtenInto = (ramps: readonly Parameter[], { index, knob }: OfRamp, value: number): Parameter[] =>
  ramps.map((parameter, i) => (i === index ? written(parameter, knob, value) : parameter));

/** Without rounding, so that a small turn of a number shows. */
function smooth(parameter: Parameter): Parameter {
  const { roundTo: _roundTo, ...ramp } = parameter.ramp;
  return { ...parameter, number: 'real', ramp };
}

/** Returns the misses of one level and the cost of its steps; the sum of their squares is minimized. */
function missesAt(local: LocalModel, steps: readonly number[]): number[] {
  // In log odds, as steep as they are where it is wanted: so what nearly all clear is pulled as much as what half do.
  const gap = oddsBy(local, steps) - local.wantedOdds;
  // One level far away does not outweigh all others.
  const off = ((gap / Math.sqrt(1 + Math.abs(gap))) * local.weight) / MISS;
  return [off, ...steps.map((value) => value * PRICE)];
}

/** The same for all levels. */
function misses(of: Turnable, locals: readonly LocalModel[], ramps: readonly Parameter[]): number[] {
  const plain = ramps.map(smooth);
  return locals.flatMap((local) => missesAt(local, stepsAt(of, local, plain)));
}

const dot = (a: readonly number[], b: readonly number[]): number =>
  a.reduce((sum, value, i) => sum + value * (b[i] as number), 0);
const square = (all: readonly number[]): number => dot(all, all);

/** Returns the change of one number of a ramp that moves no value by more than one step; 0 where it moves none. */
function turnOfAStep(
  of: Turnable,
  locals: readonly LocalModel[],
  ramps: readonly Parameter[],
  { index, knob }: OfRamp,
): number {
  const parameter = ramps[index] as Parameter;
  const by = of.steps[index] as number;
  const here = knob.read(parameter.ramp.shape);
  const at = (number: number): number[] => {
    const plain = smooth(written(parameter, knob, number));
    return locals.map(({ position }) => valueOf(of, index, plain, position));
  };
  const before = at(here);
  // At an end of the range only one way moves anything.
  const most = Math.max(...[by, -by].flatMap((to) => at(here + to).map((v, l) => Math.abs(v - (before[l] as number)))));
  return most < 1e-9 ? 0 : (by * by) / most;
}

/** Numbers as a designer writes them; points within the range. */
const tidied = (of: Turnable, ramps: readonly Parameter[]): Parameter[] =>
  ramps.map((parameter, index) => ({
    ...parameter,
    ramp: {
      ...parameter.ramp,
      shape: knobsOf(parameter.ramp.shape, of.context).reduce((shape, knob) => {
        const number = knob.read(shape);
        const kept = shape.type === 'points' ? clamped(of, index, number) : number;
        return knob.write(shape, Number(kept.toPrecision(DIGITS)));
      }, parameter.ramp.shape),
    },
  }));

/**
 * Returns ramps whose numbers bring the local models nearest to the wanted rates: Gauss–Newton over all numbers at
 * once, damped. Source: D. W. Marquardt (1963).
 * @param spread limit of the steps of any value
 */
export function turnedRamps(
  of: Turnable,
  locals: readonly LocalModel[],
  ramps: readonly Parameter[],
  spread: number,
): readonly Parameter[] {
  const knobs = knobsIn(of, ramps);
  if (knobs.length === 0) return ramps;
  const limits = knobs.map((each) => {
    // A local model holds over a limited number of steps.
    const reach = spread * turnOfAStep(of, locals, ramps, each);
    return { low: read(ramps, each) - reach, high: read(ramps, each) + reach };
  });
  let current = ramps;
  let damping = 1;
  for (let round = 0; round < ROUNDS; round++) {
    const now = misses(of, locals, current);
    const slopes = knobs.map((each) => {
      const value = read(current, each);
      const by = (of.steps[each.index] as number) * 0.05;
      const up = misses(of, locals, writtenInto(current, each, value + by));
      const down = misses(of, locals, writtenInto(current, each, value - by));
      return up.map((one, i) => (one - (down[i] as number)) / (2 * by));
    });
    const matrix = slopes.map((a) => slopes.map((b) => dot(a, b)));
    matrix.forEach((row, i) => (row[i] = (row[i] as number) * (1 + 0.01 * damping) + 1e-9));
    const inverse = inverseOf(matrix);
    if (!inverse) break;
    const pull = slopes.map((slope) => -dot(slope, now));
    const change = inverse.map((row) => dot(row, pull));
    const from = square(now);
    let best: { ramps: readonly Parameter[]; miss: number } | undefined;
    for (let part = 1; part > 0.05; part /= 2) {
      const next = knobs.reduce((turned: readonly Parameter[], each, i) => {
        const { low, high } = limits[i]!;
        const to = read(current, each) + (change[i] as number) * part;
        return writtenInto(turned, each, Math.min(high, Math.max(low, to)));
      }, current);
      const miss = square(misses(of, locals, next));
      if (miss < from - 1e-6 && (!best || miss < best.miss)) best = { ramps: next, miss };
    }
    if (!best) {
      if (damping > 1000) break;
      damping *= 10;
      continue;
    }
    current = best.ramps;
    damping = Math.max(0.1, damping / 3);
    if (from - best.miss < 0.01) break;
  }
  return tidied(of, current);
}

/** Limit of the steps of one turn, either way, after a first scan: a steep place is narrow. */
const FURTHEST = 60;
const LEAPS = [0.5, ...Array.from({ length: FURTHEST }, (_, index) => index + 1), 80, 110].flatMap((by) => [by, -by]);
const PASSES = 6;

/**
 * Ramps after the first look at levels from far: one number after the other is turned to where the misses are least, however
 * far that is. Small turns would not leave a stretch on which nothing changes.
 */
export function leaptRamps(
  of: Turnable,
  locals: readonly LocalModel[],
  ramps: readonly Parameter[],
): readonly Parameter[] {
  const current = [...ramps];
  const places = locals.map((local) => stepsAt(of, local, ramps.map(smooth)));
  const cost = (local: LocalModel, steps: readonly number[]): number => square(missesAt(local, steps));
  for (let pass = 0; pass < PASSES; pass++) {
    let isBetter = false;
    for (const each of knobsIn(of, current)) {
      const { index, knob } = each;
      const parameter = current[index] as Parameter;
      const turn = turnOfAStep(of, locals, current, each);
      if (turn === 0) continue;
      let best = { saved: 1e-3, parameter, moved: [] as (readonly [number, number[]])[] };
      for (const leap of LEAPS) {
        const next = written(parameter, knob, knob.read(parameter.ramp.shape) + leap * turn);
        const plain = smooth(next);
        let saved = 0;
        const moved = locals.flatMap((local, l) => {
          const j = local.acting.indexOf(index);
          const here = places[l] as number[];
          if (j === -1) return [];
          const steps = stepsFromStart(of, local.position, index, valueOf(of, index, plain, local.position));
          if (Math.abs(steps - (here[j] as number)) < 1e-9) return [];
          const there = here.with(j, steps);
          saved += cost(local, here) - cost(local, there);
          return [[l, there] as const];
        });
        if (saved > best.saved) best = { saved, parameter: next, moved };
      }
      current[index] = best.parameter;
      for (const [l, there] of best.moved) places[l] = there;
      isBetter ||= best.moved.length > 0;
    }
    if (!isBetter) break;
  }
  return tidied(of, current);
}
