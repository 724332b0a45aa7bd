import { isPinned, knobsOf, rampValue, sequenceContext, type Knob, type RampContext } from '../ramps/index.ts';
import type { Parameter, Project } from '../model/index.ts';
import { inverseOf } from '../stats/index.ts';
import { logOdds, odds } from './odds.ts';
import { stepOf } from './whatMovesIt.ts';

/** What may be turned: parameters, between which values, over a stretch of the sequence. */
export interface Turnable {
  context: RampContext;
  /** As they are before anything is turned. */
  start: readonly Parameter[];
  bounds: readonly { min: number; max: number }[];
  /** What a designer would change each by. */
  steps: readonly number[];
  from: number;
  to: number;
}

/** What is known of one level around its present values. */
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
}

/** A miss of so much of a clear rate weighs as much as a step of a parameter costs. */
const MISS = 0.02;
const PRICE = 0.05;
const DIGITS = 4;
const ROUNDS = 25;
/** What is wanted nearer to 0 or 1 than this has no log odds to go by. */
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

function oddsAt(of: Turnable, local: LocalModel, ramps: readonly Parameter[]): number {
  return stepsAt(of, local, ramps).reduce((sum, value, j) => sum + value * (local.slopes[j] ?? 0), local.constant);
}

/** The clear rate that a local model expects. */
export const shareAt = (of: Turnable, local: LocalModel, ramps: readonly Parameter[]): number =>
  odds(oddsAt(of, local, ramps));

/** One number of one ramp. */
interface OfRamp {
  index: number;
  knob: Knob;
}

/** All numbers of all ramps that may be turned. */
const knobsIn = ({ context, from, to }: Turnable, ramps: readonly Parameter[]): OfRamp[] =>
  ramps.flatMap(({ ramp: { shape } }, index) =>
    knobsOf(shape, context).flatMap((knob, place) => {
      // Of points only those of the stretch are turned.
      const point = shape.type === 'points' ? shape.points[place] : undefined;
      return point && (point.position < from || point.position > to) ? [] : [{ index, knob }];
    }),
  );

const read = (ramps: readonly Parameter[], { index, knob }: OfRamp): number => knob.read(ramps[index]!.ramp.shape);

const written = (ramps: readonly Parameter[], { index, knob }: OfRamp, value: number): Parameter[] =>
  ramps.map((parameter, i) =>
    i === index
      ? { ...parameter, ramp: { ...parameter.ramp, shape: knob.write(parameter.ramp.shape, value) } }
      : parameter,
  );

/** Without rounding, so that a small turn of a number shows. */
function smooth(parameter: Parameter): Parameter {
  const { roundTo: _roundTo, ...ramp } = parameter.ramp;
  return { ...parameter, number: 'real', ramp };
}

/** What is missed at each level, and what each step costs: what is to become least, squared. */
function misses(of: Turnable, locals: readonly LocalModel[], ramps: readonly Parameter[]): number[] {
  const plain = ramps.map(smooth);
  // In log odds, as steep as they are where it is wanted: so what nearly all clear is pulled as much as what half do.
  const off = locals.map((local) => {
    const gap = oddsAt(of, local, plain) - local.wantedOdds;
    // One level far away does not outweigh all others.
    return ((gap / Math.sqrt(1 + Math.abs(gap))) * local.weight) / MISS;
  });
  return [...off, ...locals.flatMap((local) => stepsAt(of, local, plain).map((value) => value * PRICE))];
}

const dot = (a: readonly number[], b: readonly number[]): number =>
  a.reduce((sum, value, i) => sum + value * (b[i] as number), 0);
const square = (all: readonly number[]): number => dot(all, all);

/** How far one number of a ramp may be turned: a local model is believed over so many steps only. */
function limitsOf(
  of: Turnable,
  locals: readonly LocalModel[],
  ramps: readonly Parameter[],
  each: OfRamp,
  spread: number,
): { low: number; high: number } {
  const { index } = each;
  const value = read(ramps, each);
  const by = of.steps[index] as number;
  const before = smooth(ramps[index] as Parameter);
  const after = smooth(written(ramps, each, value + by)[index] as Parameter);
  const moved = locals.map(({ position }) =>
    Math.abs(valueOf(of, index, after, position) - valueOf(of, index, before, position)),
  );
  const reach = (spread * by * by) / Math.max(1e-9, ...moved);
  return { low: value - reach, high: value + reach };
}

/** Numbers as a designer writes them. */
const tidied = ({ context }: Turnable, ramps: readonly Parameter[]): Parameter[] =>
  ramps.map((parameter) => ({
    ...parameter,
    ramp: {
      ...parameter.ramp,
      shape: knobsOf(parameter.ramp.shape, context).reduce(
        (shape, knob) => knob.write(shape, Number(knob.read(shape).toPrecision(DIGITS))),
        parameter.ramp.shape,
      ),
    },
  }));

/**
 * Ramps whose numbers are turned so that the local models come nearest to what is wanted: Gauss–Newton over all numbers at
 * once, damped. Source: D. W. Marquardt (1963).
 *
 * @param spread so many steps no value moves further
 */
export function turnedRamps(
  of: Turnable,
  locals: readonly LocalModel[],
  ramps: readonly Parameter[],
  spread: number,
): readonly Parameter[] {
  const knobs = knobsIn(of, ramps);
  if (knobs.length === 0) return ramps;
  const limits = knobs.map((each) => limitsOf(of, locals, ramps, each, spread));
  let current = ramps;
  let damping = 1;
  for (let round = 0; round < ROUNDS; round++) {
    const now = misses(of, locals, current);
    const slopes = knobs.map((each) => {
      const value = read(current, each);
      const by = (of.steps[each.index] as number) * 0.05;
      const up = misses(of, locals, written(current, each, value + by));
      const down = misses(of, locals, written(current, each, value - by));
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
        return written(turned, each, Math.min(high, Math.max(low, to)));
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
