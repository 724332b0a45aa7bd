import { resolvingAt } from '../attempt/index.ts';
import { prepareWith } from '../grounds/index.ts';
import type { Level, Parameter, Project, Ramp, Shape } from '../model/index.ts';
import type { Population } from '../pacers/index.ts';
import { drawAt } from '../random/index.ts';
import {
  isPinned,
  knobsOf,
  rampValue,
  SHAPES,
  toSignificant,
  valuesAt,
  type Knob,
  type RampContext,
  type Values,
} from '../ramps/index.ts';
import { inverseOf, logisticFit, wilson, type Interval } from '../stats/index.ts';
import { readyGame, seedOf } from '../trials/index.ts';
import { logOdds, odds } from './odds.ts';
import { stepOf } from './whatMovesIt.ts';

/** What may be turned, and where to. */
export interface FitAsked {
  /** Keys of the parameters whose ramps may be turned. */
  keys: readonly string[];
  /** A stretch of the sequence, both ends included. */
  from: number;
  to: number;
  /** By position from 1: the clear rate wanted there; undefined for none. */
  wanted: readonly (number | undefined)[];
  /** Keep the shapes, or let ramps go through a point at every level of the stretch. */
  by: 'own' | 'points';
  /** Between which values a parameter may be turned, where that is less than its sane range. */
  bounds?: Readonly<Record<string, { min: number; max: number }>>;
}

/** Why a level is not where it is wanted: nothing that may be turned acts there, its value is pinned, it is at the end of its range, or the shape cannot bend so. */
export type Unmet = 'nothing acts' | 'pinned' | 'at its end' | 'shape';

export interface FitSlot {
  position: number;
  wanted: number;
  /** Null until the level has been tried. */
  before: number | null;
  /** What is expected of the turned ramps. */
  expected: number;
  /** What attempts of their own say, once they were played. */
  after: { share: number; interval: Interval } | null;
  unmet: Unmet | null;
}

export interface RampFit {
  stage: 'trying' | 'confirming' | 'done';
  /** Sweeps over the stretch that are through. */
  sweeps: number;
  attempts: number;
  slots: FitSlot[];
  /** The turned ramps, by parameter. */
  ramps: Record<string, Ramp>;
}

export interface RampFitting {
  /** Plays the next batch. @returns false once it is done */
  next(): boolean;
  read(): RampFit;
}

/** How wide each sweep looks around the present values, in steps; no value moves further in it. */
const SPREADS = [10, 6, 3, 2];
const SWEEPS = SPREADS.length;
/** Levels drawn around the present values in each sweep, and attempts at each. */
const DRAWS = 40;
const ATTEMPTS_PER_DRAW = 4;
/** One draw of so many is of the present values themselves. */
const PRESENT_EVERY = 3;
/** What was drawn further away than so many times the spread tells nothing about here. */
const NEAR = 1.6;
/** How strongly it is held, before anything is known, that a step changes nothing: by log odds of so much a step. */
const USUAL_SLOPE = 0.3;
/** The same for the log odds themselves: barely. */
const PRIOR_CONSTANT = 0.05;
const CONFIRMED = 240;
const CONFIRMATION = 2_000_000;
/** A miss of so much of a clear rate weighs as much as a step of a parameter costs. */
const MISS = 0.02;
const PRICE = 0.05;
const MET = 0.05;
const DIGITS = 4;
const SEED = 0x51f7;

/** What is known of one level around its present values. */
interface Local {
  position: number;
  level: Level;
  wanted: number;
  /** Parameters that act there, as indices into the keys. */
  acting: number[];
  pinned: boolean[];
  rows: number[][];
  outcomes: boolean[];
  drawn: number;
  before: number | null;
  /** Log odds at the origin of the steps, and by step of each acting parameter. */
  constant: number;
  slopes: number[];
}

/**
 * Turns ramps' own numbers so that the clear rates of a stretch come nearest to what is wanted: around every level's present
 * values a local logistic model; then Gauss–Newton over all numbers of all ramps at once, with a price for every step that a
 * value moves; a few sweeps of both; then attempts at the turned values. Pins are never moved.
 */
export function fitRamps(project: Project, population: Population, asked: FitAsked): RampFitting {
  const parameters = asked.keys.flatMap((key): Parameter[] => {
    const parameter = project.parameters.find((entry) => entry.key === key);
    return parameter && parameter.ramp.axis === undefined && parameter.ramp.shape.type !== 'formula' ? [parameter] : [];
  });
  const context: RampContext = {
    ...{ axis: undefined, first: 1, levels: project.slots.length, level: 0, bands: project.tiers },
    parameterAt: () => Number.NaN,
  };
  const start = parameters.map((parameter) => ({ ...parameter, ramp: shapedFor(parameter) }));
  let current = start;
  const steps = start.map((parameter) => {
    const middle = Math.round((asked.from + asked.to) / 2);
    return stepOf(parameter, rampValue(parameter, middle, context));
  });
  const bounds = parameters.map(({ key, sane }) => {
    const { min, max } = asked.bounds?.[key] ?? sane;
    return { min: Math.max(sane.min, min), max: Math.min(sane.max, max) };
  });
  const locals: Local[] = [];
  for (let position = Math.max(1, asked.from); position <= Math.min(asked.to, project.slots.length); position++) {
    const level = project.levels[project.slots[position - 1]?.levelId ?? ''];
    const wanted = asked.wanted[position - 1];
    if (!level || wanted === undefined) continue;
    const slotId = project.slots[position - 1]?.id;
    const pinned = parameters.map((parameter) => isPinned(parameter, slotId));
    locals.push({
      ...{ position, level, wanted, pinned, acting: [], rows: [], outcomes: [], drawn: 0, before: null },
      ...{ constant: 0, slopes: [] },
    });
  }
  let stage: RampFit['stage'] = 'trying';
  let sweeps = 0;
  let at = 0;
  let attempts = 0;
  const spread = (): number => SPREADS[Math.min(sweeps, SWEEPS - 1)] as number;
  const confirmed = new Map<number, { attempts: number; won: number }>();

  /** A ramp that is to be held by points has one at every level of the stretch. */
  function shapedFor({ ramp }: Parameter): Ramp {
    if (asked.by === 'own') return ramp;
    const { breather: _breather, ...rest } = ramp;
    const values = project.slots.map((_, index) =>
      rampValue({ ramp, sane: { min: -1e9, max: 1e9 } }, index + 1, context),
    );
    const points = values.flatMap((value, index) => {
      const position = index + 1;
      const isInside = position >= asked.from && position <= asked.to;
      const isEdge =
        position === 1 || position === values.length || position === asked.from - 1 || position === asked.to + 1;
      return isInside || isEdge ? [{ position, value: toSignificant(value) }] : [];
    });
    const shape: Shape = points.length > 1 ? { ...SHAPES.points.fromValues(values, context), points } : ramp.shape;
    return { ...rest, shape };
  }

  const clamped = (index: number, value: number): number =>
    Math.min(bounds[index]!.max, Math.max(bounds[index]!.min, value));
  /** A parameter's value by its ramp, kept to its bounds. */
  const valueOf = (index: number, parameter: Parameter, position: number): number =>
    clamped(index, rampValue(parameter, position, context));

  function valuesHere(local: Local, of: readonly Parameter[]): Values {
    const values = { ...valuesAt(project, local.position) };
    of.forEach((parameter, index) => {
      if (!local.pinned[index]) values[parameter.key] = valueOf(index, parameter, local.position);
    });
    return values;
  }

  const prepared = ({ level, position }: Local, values: Values) =>
    prepareWith(project, level, resolvingAt(project, level, position, values));

  function actingAt(local: Local): number[] {
    const values = valuesHere(local, current);
    const plain = JSON.stringify(prepared(local, values));
    return parameters.flatMap(({ key }, index) => {
      if (local.pinned[index]) return [];
      const by = steps[index] as number;
      return [by, -by].some(
        (each) => JSON.stringify(prepared(local, { ...values, [key]: (values[key] ?? 0) + each })) !== plain,
      )
        ? [index]
        : [];
    });
  }

  /** Steps that a level's values are away from where the ramps began. */
  const stepsFromStart = (local: Local, index: number, value: number): number =>
    (value - valueOf(index, start[index] as Parameter, local.position)) / (steps[index] as number);

  function draw(local: Local): void {
    const values = valuesHere(local, current);
    const present = readyGame(prepared(local, values));
    for (let i = 0; i < DRAWS; i++) {
      const isPresent = i % PRESENT_EVERY === 0;
      const drawn = { ...values };
      const row = local.acting.map((index) => {
        const { key, number } = parameters[index] as Parameter;
        const away = isPresent
          ? 0
          : (2 * drawAt(SEED + local.position, index, local.drawn) - 1) * spread() * (steps[index] as number);
        const moved = clamped(index, (values[key] ?? 0) + away);
        drawn[key] = number === 'whole' ? Math.round(moved) : moved;
        return stepsFromStart(local, index, drawn[key]);
      });
      local.drawn++;
      const game = isPresent ? present : readyGame(prepared(local, drawn));
      for (let attempt = 0; attempt < ATTEMPTS_PER_DRAW; attempt++) {
        local.rows.push(row);
        local.outcomes.push(game.play(population, seedOf(local.drawn * ATTEMPTS_PER_DRAW + attempt)).won);
        attempts++;
      }
    }
  }

  function learn(local: Local): void {
    const here = local.acting.map((index) =>
      stepsFromStart(local, index, valueOf(index, current[index] as Parameter, local.position)),
    );
    const near = local.rows.flatMap((row, i) =>
      row.every((value, j) => Math.abs(value - (here[j] as number)) <= NEAR * spread()) ? [i] : [],
    );
    const rows = near.map((i) => local.rows[i] as number[]);
    const outcomes = near.map((i) => local.outcomes[i] as boolean);
    const fit = logisticFit(rows, outcomes, odds, [
      PRIOR_CONSTANT,
      ...local.acting.map(() => 1 / (USUAL_SLOPE * USUAL_SLOPE)),
    ]);
    local.constant = fit.coefficients[0] ?? 0;
    local.slopes = fit.coefficients.slice(1);
    if (local.before === null) local.before = shareAt(local, start);
  }

  const stepsAt = (local: Local, of: readonly Parameter[]): number[] =>
    local.acting.map((index) => stepsFromStart(local, index, valueOf(index, of[index] as Parameter, local.position)));

  const oddsAt = (local: Local, of: readonly Parameter[]): number =>
    stepsAt(local, of).reduce((sum, value, j) => sum + value * (local.slopes[j] ?? 0), local.constant);
  const shareAt = (local: Local, of: readonly Parameter[]): number => odds(oddsAt(local, of));

  /** All numbers of all ramps that may be turned. */
  function allKnobs(): { index: number; knob: Knob }[] {
    return current.flatMap((parameter, index) =>
      knobsOf(parameter.ramp.shape, context).flatMap((knob, place) => {
        // Of points only those of the stretch are turned.
        const { shape } = parameter.ramp;
        const point = shape.type === 'points' ? shape.points[place] : undefined;
        return point && (point.position < asked.from || point.position > asked.to) ? [] : [{ index, knob }];
      }),
    );
  }

  const withKnob = (
    of: readonly Parameter[],
    { index, knob }: { index: number; knob: Knob },
    value: number,
  ): Parameter[] =>
    of.map((parameter, i) =>
      i === index
        ? { ...parameter, ramp: { ...parameter.ramp, shape: knob.write(parameter.ramp.shape, value) } }
        : parameter,
    );

  /** Without rounding, so that a small turn of a number shows. */
  const smooth = (of: readonly Parameter[]): Parameter[] =>
    of.map((parameter) => {
      const { roundTo: _roundTo, ...ramp } = parameter.ramp;
      return { ...parameter, number: 'real' as const, ramp };
    });

  function misses(of: readonly Parameter[]): number[] {
    const plain = smooth(of);
    // In log odds, as steep as they are where it is wanted: so what nearly all clear is pulled as much as what half do.
    const off = locals.map((local) => {
      const kept = Math.min(0.98, Math.max(0.02, local.wanted));
      const gap = oddsAt(local, plain) - logOdds(kept);
      // One level far away does not outweigh all others.
      return ((gap / Math.sqrt(1 + Math.abs(gap))) * kept * (1 - kept)) / MISS;
    });
    const moved = locals.flatMap((local) => stepsAt(local, plain).map((value) => value * PRICE));
    return [...off, ...moved];
  }

  const square = (all: readonly number[]): number => all.reduce((sum, value) => sum + value * value, 0);

  /** How far one number of a ramp may be turned in this sweep: a local model is believed only so far. */
  function limitsOf(each: { index: number; knob: Knob }): { low: number; high: number } {
    const value = each.knob.read(current[each.index]!.ramp.shape);
    const by = steps[each.index] as number;
    const turned = withKnob(current, each, value + by);
    const plain = (of: readonly Parameter[], position: number): number =>
      valueOf(each.index, smooth(of)[each.index] as Parameter, position);
    const most = Math.max(
      1e-9,
      ...locals.map(({ position }) => Math.abs(plain(turned, position) - plain(current, position))),
    );
    const reach = (spread() * by * by) / most;
    return { low: value - reach, high: value + reach };
  }

  function turn(): void {
    const knobs = allKnobs();
    if (knobs.length === 0) return;
    const limits = knobs.map(limitsOf);
    let damping = 1;
    for (let round = 0; round < 25; round++) {
      const now = misses(current);
      const slopes = knobs.map((each) => {
        const value = each.knob.read(current[each.index]!.ramp.shape);
        const by = (steps[each.index] as number) * 0.05;
        const up = misses(withKnob(current, each, value + by));
        const down = misses(withKnob(current, each, value - by));
        return up.map((one, i) => (one - (down[i] as number)) / (2 * by));
      });
      const dot = (a: readonly number[], b: readonly number[]): number =>
        a.reduce((sum, value, i) => sum + value * (b[i] as number), 0);
      const matrix = slopes.map((a) => slopes.map((b) => dot(a, b)));
      matrix.forEach((row, i) => (row[i] = (row[i] as number) * (1 + 0.01 * damping) + 1e-9));
      const inverse = inverseOf(matrix);
      if (!inverse) break;
      const pull = slopes.map((slope) => -dot(slope, now));
      let best: { all: Parameter[]; miss: number } | undefined;
      for (let part = 1; part > 0.05; part /= 2) {
        let next = current;
        knobs.forEach((each, i) => {
          const by = (inverse[i] as number[]).reduce((sum, value, j) => sum + value * (pull[j] as number), 0) * part;
          const { low, high } = limits[i]!;
          const to = each.knob.read(current[each.index]!.ramp.shape) + by;
          next = withKnob(next, each, Math.min(high, Math.max(low, to)));
        });
        const miss = square(misses(next));
        if (miss < square(now) - 1e-6 && (!best || miss < best.miss)) best = { all: next, miss };
      }
      if (!best) {
        if (damping > 1000) break;
        damping *= 10;
        continue;
      }
      const gain = square(now) - best.miss;
      current = best.all;
      damping = Math.max(0.1, damping / 3);
      if (gain < 0.01) break;
    }
    current = current.map((parameter) => ({
      ...parameter,
      ramp: {
        ...parameter.ramp,
        shape: knobsOf(parameter.ramp.shape, context).reduce(
          (shape, knob) => knob.write(shape, Number(knob.read(shape).toPrecision(DIGITS))),
          parameter.ramp.shape,
        ),
      },
    }));
  }

  function tryNext(): void {
    const local = locals[at];
    if (local) {
      if (sweeps === 0) local.acting = actingAt(local);
      draw(local);
      learn(local);
      at++;
      return;
    }
    turn();
    at = 0;
    if (++sweeps >= SWEEPS || locals.length === 0) stage = 'confirming';
  }

  function confirmNext(): void {
    const local = locals[at];
    if (!local) {
      stage = 'done';
      return;
    }
    const game = readyGame(prepared(local, valuesHere(local, current)));
    const into = { attempts: 0, won: 0 };
    for (let i = 0; i < CONFIRMED; i++) {
      into.attempts++;
      if (game.play(population, seedOf(CONFIRMATION + i)).won) into.won++;
    }
    attempts += CONFIRMED;
    confirmed.set(local.position, into);
    at++;
  }

  function whyUnmet(local: Local, share: number): Unmet | null {
    if (Math.abs(share - local.wanted) <= MET) return null;
    if (local.acting.length === 0) return local.pinned.some(Boolean) ? 'pinned' : 'nothing acts';
    const isAtEnd = local.acting.every((index) => {
      const value = valueOf(index, current[index] as Parameter, local.position);
      const { min, max } = bounds[index]!;
      return value <= min + 1e-9 || value >= max - 1e-9;
    });
    return isAtEnd ? 'at its end' : 'shape';
  }

  return {
    next() {
      if (stage === 'trying') tryNext();
      else if (stage === 'confirming') confirmNext();
      return (stage as RampFit['stage']) !== 'done';
    },
    read: () => ({
      ...{ stage, sweeps, attempts },
      slots: locals.map((local) => {
        const own = confirmed.get(local.position);
        const expected = shareAt(local, current);
        const after = own ? { share: own.won / own.attempts, interval: wilson(own.won, own.attempts) } : null;
        return {
          ...{ position: local.position, wanted: local.wanted, before: local.before, expected, after },
          unmet: sweeps > 0 ? whyUnmet(local, after?.share ?? expected) : null,
        };
      }),
      ramps: Object.fromEntries(current.map(({ key, ramp }) => [key, ramp])),
    }),
  };
}
