import { prepareLevel } from '../grounds/index.ts';
import type { Parameter, Project, Ramp, Shape } from '../model/index.ts';
import type { Population } from '../pacers/index.ts';
import { drawAt } from '../random/index.ts';
import { rampValue, sequenceContext, SHAPES, toSignificant, valuesAt, type Values } from '../ramps/index.ts';
import { logisticFit, wilson, type Counted, type Interval } from '../stats/index.ts';
import { readyGame, seedOf } from '../trials/index.ts';
import { actingAt } from './acting.ts';
import { odds } from './odds.ts';
import {
  clamped,
  shareAt,
  stepsAt,
  stepsFromStart,
  turnable,
  turnedRamps,
  untried,
  valueOf,
  type LocalModel,
} from './turnedRamps.ts';

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
const MET = 0.05;
const SEED = 0x51f7;

/** One level of the stretch, with what was tried there. */
interface Level {
  local: LocalModel;
  /** Steps from where the ramps began, and what came of them, a draw each. */
  rows: number[][];
  outcomes: Counted[];
  before: number | null;
  after: FitSlot['after'];
}

/** A ramp that is to be held by points has one at every level of the stretch. */
function shapedFor(project: Project, { by, from, to }: FitAsked, { ramp }: Parameter): Ramp {
  if (by === 'own') return ramp;
  const { breather: _breather, ...rest } = ramp;
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

/**
 * Turns ramps' own numbers so that the clear rates of a stretch come nearest to what is wanted: around every level's present
 * values a local logistic model; then all numbers of all ramps at once, with a price for every step that a value moves; a
 * few sweeps of both; then attempts at the turned values. Pins are never moved.
 */
export function fitRamps(project: Project, population: Population, asked: FitAsked): RampFitting {
  const parameters = asked.keys.flatMap((key): Parameter[] => {
    const parameter = project.parameters.find((entry) => entry.key === key);
    return parameter && parameter.ramp.axis === undefined && parameter.ramp.shape.type !== 'formula' ? [parameter] : [];
  });
  const of = turnable(
    project,
    parameters.map((parameter) => ({ ...parameter, ramp: shapedFor(project, asked, parameter) })),
    asked,
  );
  let current = of.start;
  const levels: Level[] = [];
  for (let position = Math.max(1, asked.from); position <= Math.min(asked.to, project.slots.length); position++) {
    const wanted = asked.wanted[position - 1];
    if (!project.levels[project.slots[position - 1]?.levelId ?? ''] || wanted === undefined) continue;
    levels.push({ local: untried(project, of, position, wanted), rows: [], outcomes: [], before: null, after: null });
  }
  let stage: RampFit['stage'] = 'trying';
  let sweeps = 0;
  let at = 0;
  let attempts = 0;
  const spread = (): number => SPREADS[Math.min(sweeps, SWEEPS - 1)] as number;

  function valuesHere({ position, pinned }: LocalModel): Values {
    const values = { ...valuesAt(project, position) };
    current.forEach((parameter, index) => {
      if (!pinned[index]) values[parameter.key] = valueOf(of, index, parameter, position);
    });
    return values;
  }

  function findActing({ local }: Level): number[] {
    const acts = actingAt(project, local.position, valuesHere(local));
    return parameters.flatMap(({ key }, index) =>
      !local.pinned[index] && acts(key, of.steps[index] as number) ? [index] : [],
    );
  }

  function draw({ local, rows, outcomes }: Level): void {
    const { position } = local;
    const values = valuesHere(local);
    const present = readyGame(prepareLevel(project, position, values));
    for (let i = 0; i < DRAWS; i++) {
      const isPresent = i % PRESENT_EVERY === 0;
      const drawn = { ...values };
      const row = local.acting.map((index) => {
        const { key, number } = parameters[index] as Parameter;
        const away = isPresent
          ? 0
          : (2 * drawAt(SEED + position, index, rows.length) - 1) * spread() * (of.steps[index] as number);
        const moved = clamped(of, index, (values[key] ?? 0) + away);
        drawn[key] = number === 'whole' ? Math.round(moved) : moved;
        return stepsFromStart(of, position, index, drawn[key]);
      });
      rows.push(row);
      const game = isPresent ? present : readyGame(prepareLevel(project, position, drawn));
      let successes = 0;
      for (let attempt = 0; attempt < ATTEMPTS_PER_DRAW; attempt++)
        if (game.play(population, seedOf(rows.length * ATTEMPTS_PER_DRAW + attempt)).won) successes++;
      outcomes.push({ successes, trials: ATTEMPTS_PER_DRAW });
      attempts += ATTEMPTS_PER_DRAW;
    }
  }

  /** The local model by what was tried near the present values. */
  function learned({ local, rows, outcomes }: Level): LocalModel {
    const here = stepsAt(of, local, current);
    const near = rows.flatMap((row, i) =>
      row.every((value, j) => Math.abs(value - (here[j] as number)) <= NEAR * spread()) ? [i] : [],
    );
    const { coefficients } = logisticFit(
      near.map((i) => rows[i] as number[]),
      near.map((i) => outcomes[i] as Counted),
      odds,
      [PRIOR_CONSTANT, ...local.acting.map(() => 1 / (USUAL_SLOPE * USUAL_SLOPE))],
    );
    const [constant = 0, ...slopes] = coefficients;
    return { ...local, constant, slopes };
  }

  function tryNext(): void {
    const level = levels[at++];
    if (level) {
      if (sweeps === 0) level.local = { ...level.local, acting: findActing(level) };
      draw(level);
      level.local = learned(level);
      level.before ??= shareAt(of, level.local, of.start);
      return;
    }
    current = turnedRamps(
      of,
      levels.map(({ local }) => local),
      current,
      spread(),
    );
    at = 0;
    if (++sweeps >= SWEEPS || levels.length === 0) stage = 'confirming';
  }

  function confirmNext(): void {
    const level = levels[at++];
    if (!level) {
      stage = 'done';
      return;
    }
    const game = readyGame(prepareLevel(project, level.local.position, valuesHere(level.local)));
    let won = 0;
    for (let i = 0; i < CONFIRMED; i++) if (game.play(population, seedOf(CONFIRMATION + i)).won) won++;
    attempts += CONFIRMED;
    level.after = { share: won / CONFIRMED, interval: wilson(won, CONFIRMED) };
  }

  function whyUnmet({ position, wanted, acting, pinned }: LocalModel, share: number): Unmet | null {
    if (Math.abs(share - wanted) <= MET) return null;
    if (acting.length === 0) return pinned.some(Boolean) ? 'pinned' : 'nothing acts';
    const isAtEnd = acting.every((index) => {
      const value = valueOf(of, index, current[index] as Parameter, position);
      const { min, max } = of.bounds[index]!;
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
      slots: levels.map(({ local, before, after }) => {
        const expected = shareAt(of, local, current);
        return {
          ...{ position: local.position, wanted: local.wanted, before, expected, after },
          unmet: sweeps > 0 ? whyUnmet(local, after?.share ?? expected) : null,
        };
      }),
      ramps: Object.fromEntries(current.map(({ key, ramp }) => [key, ramp])),
    }),
  };
}
