import type { Parameter, Project } from '../../document/model/index.ts';
import { drawAt } from '../../basics/random/index.ts';
import { valuesAt } from '../../document/ramps/index.ts';
import { logisticFit, Z_95, type Counted, type Interval, type LogisticFit } from '../../basics/stats/index.ts';
import { actingAt } from './acting.ts';
import { searchOf, type Search, type Pending } from './search.ts';
import { odds } from './odds.ts';

/** The effect of one step of a parameter on the clear rate of a level. */
export interface Mover {
  key: string;
  /** Size of a step, in the parameter's unit. */
  step: number;
  /** Change of the clear rate by one step up from here, as a share: −0.04 for 4 points less. */
  effect: number;
  /** 95 %. */
  interval: Interval;
}

/** The parameters that act at a level, by how much they move its clear rate. */
export interface Movers {
  /** Keys of the parameters that change anything at this level. */
  keys: readonly string[];
  attempts: number;
  cleared: number;
  /** Largest first; empty until enough attempts went both ways to tell. */
  movers: Mover[];
}

/** Enough to tell half a step of most parameters from nothing. */
const MOVER_ATTEMPTS = 2400;
/** Number of attempts at each drawn level: preparing one costs about as much as an attempt. */
const ATTEMPTS_PER_DRAW = 6;
/** Number of drawn levels that are requested together. */
const DRAWN_TOGETHER = 10;
/** Limit of the steps that a parameter is drawn away, to either side; whole ones one step, so that the fit has no gap. */
const SPREAD = 1.5;
const WHOLE_SPREAD = 1.499;
/** Any number: the draws' own stream of luck. */
const SEED = 0x3d1a;
const SHARE_STEP = 0.05;
/** A real number's step, as a share of its value. */
const REAL_STEP = 0.05;

/** Returns a sensible step of a parameter. */
export function stepOf({ number, sane, ramp }: Parameter, value: number): number {
  switch (number) {
    case 'whole':
    case 'seconds':
      return Math.max(1, ramp.roundTo ?? 1);
    case 'share':
      return SHARE_STEP;
    case 'real': {
      const size = value === 0 ? (sane.max - sane.min) / 40 : Math.abs(value) * REAL_STEP;
      const multiple = ramp.roundTo ?? 0;
      return multiple > 0 ? Math.max(multiple, Math.round(size / multiple) * multiple) : Number(size.toPrecision(2));
    }
  }
}

/**
 * Returns the effect of one step from the present values, by a fit around them: the difference of two shares, with
 * its interval by the delta method.
 * @param moved indices of the coefficients that a step brings in
 */
function oneStep(
  { coefficients, covariance }: LogisticFit,
  moved: readonly number[],
): Pick<Mover, 'effect' | 'interval'> {
  const here = coefficients[0] as number;
  const [before, after] = [odds(here), odds(moved.reduce((sum, index) => sum + (coefficients[index] as number), here))];
  const [steepBefore, steepAfter] = [before * (1 - before), after * (1 - after)];
  const gradient = [[0, steepAfter - steepBefore], ...moved.map((index) => [index, steepAfter])] as [number, number][];
  let variance = 0;
  for (const [i, a] of gradient) for (const [j, b] of gradient) variance += a * b * (covariance[i]?.[j] as number);
  const effect = after - before;
  const spread = Z_95 * Math.sqrt(Math.max(0, variance));
  return { effect, interval: { low: effect - spread, high: effect + spread } };
}

/**
 * Searches what moves the clear rate of the level at a position. Every attempt draws all parameters a little
 * around their values, and one logistic regression, with squares, gives the effect of one step of each. One
 * attempt informs all parameters.
 * @param position from 1; there must be a level
 */
export function moversOf(project: Project, position: number, most = MOVER_ATTEMPTS): Search<Movers> {
  const values = valuesAt(project, position);
  const acts = actingAt(project, position, values);
  const acting = project.parameters.flatMap((parameter) => {
    const value = values[parameter.key] ?? 0;
    const step = stepOf(parameter, value);
    return parameter.ramp.axis === undefined && acts(parameter.key, step) ? [{ parameter, value, step }] : [];
  });
  const rows: number[][] = [];
  const outcomes: Counted[] = [];
  let drawn = 0;

  /** Steps away from a parameter's own value: whole ones where only whole numbers make sense. Never below 0 where the value is not. */
  function stepsAway(index: number, draw: number): number {
    const { parameter, value, step } = acting[index] as (typeof acting)[number];
    const away = (2 * drawAt(SEED, index, draw) - 1) * (parameter.number === 'whole' ? WHOLE_SPREAD : SPREAD);
    const steps = parameter.number === 'whole' ? Math.round(away) : away;
    return value >= 0 ? Math.max(steps, -value / step) : steps;
  }

  /** A level drawn around the designer's own. */
  function draw(): Pending {
    const from = drawn * ATTEMPTS_PER_DRAW;
    const away = acting.map((_, index) => stepsAway(index, drawn));
    drawn++;
    const at = { ...values };
    acting.forEach(({ parameter, value, step }, index) => {
      at[parameter.key] = value + (away[index] as number) * step;
    });
    return {
      batch: { position, values: at, from, count: ATTEMPTS_PER_DRAW },
      note(came) {
        rows.push(away);
        outcomes.push(came);
      },
    };
  }

  function* rounds(): Generator<readonly Pending[]> {
    while (acting.length > 0 && drawn * ATTEMPTS_PER_DRAW < most) {
      const left = Math.ceil(most / ATTEMPTS_PER_DRAW) - drawn;
      yield Array.from({ length: Math.min(DRAWN_TOGETHER, left) }, draw);
    }
  }

  const keys = acting.map(({ parameter }) => parameter.key);
  return searchOf(rounds(), () => {
    const attempts = outcomes.reduce((sum, { trials }) => sum + trials, 0);
    const cleared = outcomes.reduce((sum, { successes }) => sum + successes, 0);
    const none: Movers = { keys, attempts, cleared, movers: [] };
    if (cleared === 0 || cleared === attempts) return none;
    // A straight line over all that is drawn would tell the average slope; the square lets it tell the one here.
    const curved = logisticFit(
      rows.map((row) => [...row, ...row.map((away) => away * away)]),
      outcomes,
      odds,
    );
    const fit = curved.settled ? curved : logisticFit(rows, outcomes, odds);
    if (!fit.settled) return none;
    const movers = acting.map(({ parameter, step }, index): Mover => {
      const moved = [index + 1, ...(fit === curved ? [index + 1 + acting.length] : [])];
      return { key: parameter.key, step, ...oneStep(fit, moved) };
    });
    return { ...none, movers: movers.toSorted((a, b) => Math.abs(b.effect) - Math.abs(a.effect)) };
  });
}
