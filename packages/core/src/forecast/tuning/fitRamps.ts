import type { Parameter, Project } from '../../document/model/index.ts';
import { drawAt } from '../../basics/random/index.ts';
import { valuesAt, type Values } from '../../document/ramps/index.ts';
import { logisticFit, wilson, type Counted } from '../../basics/stats/index.ts';
import { actingAt } from './acting.ts';
import { pointAt, shapedFor, type FitAsked, type RampFit, type Unmet } from './fitAsked.ts';
import {
  PRESENT,
  PER_PLACE,
  LOOKS,
  OUT_OF_REACH,
  SPREAD,
  REPAIR_SPREAD,
  DRAWS,
  ATTEMPTS_PER_DRAW,
  PRESENT_EVERY,
  TELLING,
  NEAR,
  USUAL_SLOPE,
  PRIOR_CONSTANT,
  CONFIRMED,
  CONFIRMED_MORE,
  DOUBTFUL,
  CONFIRMED_FAR,
  REPAIRS,
  CLOSINGS,
  FAR,
  CONFIRMATION,
  MET,
  MISSED,
  SEED,
  type Level,
} from './fitLevel.ts';
import { searchOf, type Search, type Pending } from './search.ts';
import { addToLever, changesSomething, crossingsOf, nextPlace, type Lever } from './levers.ts';
import { logOdds, odds } from './odds.ts';
import {
  clamped,
  leaptRamps,
  slopeAt,
  shareAt,
  stepsAt,
  stepsFromStart,
  turnable,
  turnedRamps,
  untried,
  valueOf,
  type LocalModel,
} from './turnedRamps.ts';

/**
 * Turns ramps' own numbers so that the clear rates of a stretch come nearest to what is wanted: first every parameter of
 * every level over all its range, coarsely; then, around the values turned to, local logistic models; then all numbers of all
 * ramps at once, with a price for every step that a value moves; then attempts at the turned values, and what they show to be
 * missed is turned once more. Pins are never moved.
 */
export function fitRamps(project: Project, asked: FitAsked): Search<RampFit> {
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
    levels.push({
      ...{ local: untried(project, of, position, wanted), levers: [], rows: [], outcomes: [], played: 0 },
      ...{ isInReach: true, standing: 0, onOneLever: false, before: null, after: null },
      ...{ confirmed: { successes: 0, trials: 0 }, confirmations: 0, best: null },
    });
  }
  let stage: RampFit['stage'] = 'looking';
  let attempts = 0;

  function valuesHere({ position, pinned }: LocalModel): Values {
    const values = { ...valuesAt(project, position) };
    current.forEach((parameter, index) => {
      if (!pinned[index]) values[parameter.key] = valueOf(of, index, parameter, position);
    });
    return values;
  }

  /** Returns the value of one parameter moved by a number of steps; whole where the parameter is whole. */
  function moved(index: number, value: number, by: number): number {
    const to = clamped(of, index, value + by * (of.steps[index] as number));
    return parameters[index]!.number === 'whole' ? Math.round(to) : to;
  }

  /** @param note receives the number of cleared attempts */
  function batchOf(level: Level, values: Values, from: number, count: number, note: (won: number) => void): Pending {
    return {
      batch: { position: level.local.position, values, from, count },
      note({ successes }) {
        attempts += count;
        note(successes);
      },
    };
  }

  function batchAt(level: Level, values: Values, count: number, note: (won: number) => void): Pending {
    const from = level.played;
    level.played += count;
    return batchOf(level, values, from, count, note);
  }

  const isWhole = ({ acting }: LocalModel, j: number): boolean => parameters[acting[j] as number]!.number === 'whole';

  function record(level: Level, row: number[], successes: number, trials: number): void {
    level.rows.push(row);
    level.outcomes.push({ successes, trials });
  }

  /** At the present values, before anything is turned. */
  function standing(level: Level): Pending {
    const values = valuesHere(level.local);
    const acts = actingAt(project, level.local.position, values);
    const acting = parameters.flatMap(({ key }, index) =>
      !level.local.pinned[index] && acts(key, of.steps[index] as number) ? [index] : [],
    );
    level.levers = acting.map((index) => {
      const value = values[parameters[index]!.key] ?? 0;
      const step = of.steps[index] as number;
      const { min, max } = of.bounds[index]!;
      return { low: (min - value) / step, high: (max - value) / step, points: [] };
    });
    level.local = { ...level.local, acting, levers: level.levers };
    return batchAt(level, values, PRESENT, (won) => {
      for (const lever of level.levers) addToLever(lever, 0, won, PRESENT);
      record(
        level,
        acting.map(() => 0),
        won,
        PRESENT,
      );
      level.before = won / PRESENT;
      level.standing = logOdds((won + 0.5) / (PRESENT + 1));
      level.local = { ...level.local, constant: level.standing };
    });
  }

  /** Places along the levers of a level that are to be looked at next. */
  function looks(level: Level): Pending[] {
    const values = valuesHere(level.local);
    return level.levers.flatMap((lever, j) => {
      const place = nextPlace(lever, level.local.wanted);
      if (place === undefined) return [];
      const index = level.local.acting[j] as number;
      const { key } = parameters[index] as Parameter;
      const there = { ...values, [key]: moved(index, values[key] ?? 0, place) };
      return [
        batchAt(level, there, PER_PLACE, (won) => {
          addToLever(lever, place, won, PER_PLACE);
          const steps = stepsFromStart(of, level.local.position, index, there[key]!);
          record(
            level,
            level.local.acting.map((each) => (each === index ? steps : 0)),
            won,
            PER_PLACE,
          );
        }),
      ];
    });
  }

  /** Leaves parameters alone that change nothing over their whole range. */
  function leaveIdle(level: Level): void {
    const { local, levers, rows } = level;
    const kept = levers.flatMap((lever, j) => (changesSomething(lever) ? [j] : []));
    const some = <T>(of: readonly T[]): T[] => kept.map((j) => of[j] as T);
    level.levers = some(levers);
    level.rows = rows.map(some);
    level.local = { ...local, acting: some(local.acting), levers: level.levers };
  }

  /** How far, in steps, each acting parameter is moved around its present value: less where a step does much. */
  function reaches({ local }: Level, spread: number): number[] {
    const here = stepsAt(of, local, current);
    return here.map((steps, j) => Math.min(spread, TELLING / Math.max(1e-3, Math.abs(slopeAt(local, j, steps)))));
  }

  /** Values around the present ones. */
  function draws(level: Level, spread: number): Pending[] {
    const { acting, position } = level.local;
    const reach = reaches(level, spread);
    const values = valuesHere(level.local);
    const present = stepsAt(of, level.local, current);
    const pending: Pending[] = [];
    for (let i = 0; i < DRAWS; i++) {
      if (i % PRESENT_EVERY === 0) continue;
      const drawn = { ...values };
      const row = acting.map((index, j) => {
        const { key } = parameters[index] as Parameter;
        const away = (2 * drawAt(SEED + position, index, level.played) - 1) * (reach[j] as number);
        drawn[key] = moved(index, values[key] ?? 0, away);
        return stepsFromStart(of, position, index, drawn[key]);
      });
      pending.push(batchAt(level, drawn, ATTEMPTS_PER_DRAW, (won) => record(level, row, won, ATTEMPTS_PER_DRAW)));
    }
    const count = Math.ceil(DRAWS / PRESENT_EVERY) * ATTEMPTS_PER_DRAW;
    pending.push(batchAt(level, values, count, (won) => record(level, present, won, count)));
    return pending;
  }

  /** The local model by what was tried near the present values. */
  function learned(level: Level, spread: number): LocalModel {
    const { local, rows, outcomes } = level;
    const here = stepsAt(of, local, current);
    const reach = reaches(level, spread);
    // Neighbouring whole numbers are never too far.
    const isNear = (value: number, j: number): boolean =>
      Math.abs(value - (here[j] as number)) <= Math.max(NEAR * (reach[j] as number), isWhole(local, j) ? 1 : 0);
    const near = rows.flatMap((row, i) => (row.every(isNear) ? [i] : []));
    const usual = here.map((steps, j) => USUAL_SLOPE + Math.abs(slopeAt(local, j, steps)));
    const { coefficients } = logisticFit(
      near.map((i) => (rows[i] as number[]).map((value, j) => value - (here[j] as number))),
      near.map((i) => outcomes[i] as Counted),
      odds,
      [PRIOR_CONSTANT, ...usual.map((slope) => 1 / (slope * slope))],
    );
    const [constant = 0, ...slopes] = coefficients;
    const atStart = slopes.reduce((sum, slope, j) => sum - slope * (here[j] as number), constant);
    return { ...local, constant: atStart, slopes, levers: undefined };
  }

  /** Attempts at unchanged values sharpen the estimate of the present rate. */
  function standsAt(level: Level, won: number, count: number): void {
    for (const lever of level.levers) addToLever(lever, 0, won, count);
    const stands = level.levers[0]?.points.find(({ steps }) => steps === 0);
    if (stands) level.standing = logOdds((stands.successes + 0.5) / (stands.trials + 1));
  }

  /** Attempts of their own at the turned values. */
  function confirmation(level: Level, goesOn = false): Pending {
    const { local, isInReach } = level;
    const count = goesOn ? CONFIRMED_MORE : isInReach ? CONFIRMED : CONFIRMED_FAR;
    const row = stepsAt(of, local, current);
    const from = CONFIRMATION + level.confirmations;
    level.confirmations += count;
    const before = goesOn ? level.confirmed : { successes: 0, trials: 0 };
    return batchOf(level, valuesHere(local), from, count, (won) => {
      const [successes, trials] = [before.successes + won, before.trials + count];
      level.confirmed = { successes, trials };
      level.after = { share: successes / trials, interval: wilson(successes, trials) };
      record(level, row, won, count);
      const turned = row.flatMap((steps, j) => (Math.abs(steps) > 0.05 ? [j] : []));
      const [only] = turned;
      level.onOneLever = turned.length === 1;
      if (only !== undefined && level.onOneLever)
        addToLever(level.levers[only] as Lever, row[only] as number, won, count);
      if (only === undefined) standsAt(level, won, count);
    });
  }

  const isDoubtful = ({ isInReach, after, local }: Level): boolean =>
    isInReach && Math.abs((after?.share ?? 0) - local.wanted) > DOUBTFUL;

  const shareNow = ({ local }: Level): number => shareAt(of, local, current);

  /** Keeps the nearest confirmed result until now, for ramps through points. */
  function keepBest(level: Level): void {
    const { after, local, best } = level;
    if (asked.by !== 'points' || !after) return;
    const miss = Math.abs(after.share - local.wanted);
    if (best && best.miss <= miss) return;
    level.best = { miss, after, values: current.map(({ ramp: { shape } }) => pointAt(shape, local.position)) };
  }

  /** A level whose last turn made it worse goes back to where it was nearest. */
  function backToBest(level: Level): void {
    const { after, local, best } = level;
    if (!best || !after || Math.abs(after.share - local.wanted) <= best.miss) return;
    level.after = best.after;
    current = current.map((parameter, index) => {
      const { shape } = parameter.ramp;
      const value = best.values[index];
      if (shape.type !== 'points' || value === undefined) return parameter;
      const points = shape.points.map((point) => (point.position === local.position ? { ...point, value } : point));
      return { ...parameter, ramp: { ...parameter.ramp, shape: { ...shape, points } } };
    });
  }

  /** Learns from what was drawn around the present values of some levels, and turns the ramps by them. */
  function turnBy(some: readonly Level[], spread: number): void {
    for (const level of some) level.local = learned(level, spread);
    // Points of one level are no other level's; with shapes, all levels are held.
    const locals = (asked.by === 'points' ? some : levels).map(({ local }) => local);
    current = turnedRamps(of, locals, current, spread);
  }

  /** Turns the ramps by what was seen of some levels from far. */
  function leapBy(some: readonly Level[]): void {
    const locals = some.map(({ local }) => local);
    current = leaptRamps(of, locals, current);
  }

  /** Closes the remaining misses: around the nearest result, then along one lever at a time. */
  function* closings(tried: readonly Level[]): Generator<Pending[]> {
    for (let round = 0; round < CLOSINGS; round++) {
      const missed = tried.filter(({ best }) => best !== null && best.miss > MET);
      if (missed.length === 0) return;
      for (const level of missed) backToBest(level);
      if (round % 2 === 0) {
        for (const level of missed) level.local = learned(level, REPAIR_SPREAD);
        yield missed.flatMap((level) => draws(level, REPAIR_SPREAD));
        turnBy(missed, REPAIR_SPREAD);
      } else {
        for (const level of missed) level.local = { ...level.local, constant: level.standing, levers: level.levers };
        leapBy(missed);
      }
      yield missed.map((level) => confirmation(level));
      yield missed.filter(isDoubtful).map((level) => confirmation(level, true));
      for (const level of missed) keepBest(level);
    }
  }

  function* rounds(): Generator<Pending[]> {
    yield levels.map(standing);
    for (let look = 0; look < LOOKS; look++) yield levels.flatMap(looks);
    for (const level of levels) leaveIdle(level);
    leapBy(levels);
    for (const level of levels) {
      const { local, levers } = level;
      const far = Math.abs(shareNow(level) - local.wanted) > OUT_OF_REACH;
      const crosses = levers.some((lever) => crossingsOf(lever, local.wanted).length > 0);
      level.isInReach = local.acting.length > 0 && (!far || crosses);
    }
    stage = 'trying';
    const tried = levels.filter(({ isInReach }) => isInReach);
    yield tried.flatMap((level) => draws(level, SPREAD));
    turnBy(tried, SPREAD);
    stage = 'confirming';
    let due: readonly Level[] = levels;
    for (let round = 0; ; round++) {
      yield due.map((level) => confirmation(level));
      // Levels that are still in doubt are confirmed by more attempts.
      yield due.filter(isDoubtful).map((level) => confirmation(level, true));
      for (const level of tried) level.local = learned(level, REPAIR_SPREAD);
      const missed = tried.filter((level) => Math.abs(shareNow(level) - level.local.wanted) > MISSED);
      for (const level of due) keepBest(level);
      if (round === REPAIRS || missed.length === 0) break;
      // Far from it, slopes here say little: the way is looked up along the lever, which knows now what was confirmed.
      const far = missed.filter(
        ({ onOneLever, after, local }) =>
          asked.by === 'points' && onOneLever && after && Math.abs(after.share - local.wanted) > FAR,
      );
      for (const level of far) level.local = { ...level.local, constant: level.standing, levers: level.levers };
      leapBy(far);
      const near = missed.filter((level) => !far.includes(level));
      yield near.flatMap((level) => draws(level, REPAIR_SPREAD));
      if (near.length > 0) turnBy(near, REPAIR_SPREAD);
      due = asked.by === 'points' ? missed : levels;
    }
    if (asked.by === 'points') yield* closings(tried);
    for (const level of tried) backToBest(level);
    stage = 'done';
  }

  function whyUnmet({ local: { position, wanted, acting, pinned } }: Level, share: number): Unmet | null {
    if (Math.abs(share - wanted) <= MET) return null;
    if (acting.length === 0) return pinned.some(Boolean) ? 'pinned' : 'nothing acts';
    const isAtEnd = acting.every((index) => {
      const value = valueOf(of, index, current[index] as Parameter, position);
      const { min, max } = of.bounds[index]!;
      return value <= min + 1e-9 || value >= max - 1e-9;
    });
    return isAtEnd ? 'at its end' : 'shape';
  }

  return searchOf(rounds(), () => ({
    ...{ stage, attempts },
    slots: levels.map((level) => {
      const { local, before, after } = level;
      const expected = shareNow(level);
      return {
        ...{ position: local.position, wanted: local.wanted, before, expected, after },
        unmet: stage === 'looking' ? null : whyUnmet(level, after?.share ?? expected),
      };
    }),
    ramps: Object.fromEntries(current.map(({ key, ramp }) => [key, ramp])),
  }));
}
