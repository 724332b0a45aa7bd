import { differenceOf } from '../../basics/stats/index.ts';
import { logOdds } from './odds.ts';

/** Results of attempts at one place along a lever: one parameter moved by some steps, all others unchanged. */
interface LeverPoint {
  steps: number;
  successes: number;
  trials: number;
  /** Log odds less those where it stands, kept finite; 0 where that may be chance. */
  change: number;
}

/** One parameter at one level, over all its range: where along it the clear rate is what. */
export interface Lever {
  /** Ends of its range, in steps from where it stands. */
  low: number;
  high: number;
  /** In order; where it stands is among them, at 0. */
  points: LeverPoint[];
}

/** Distance below which a crossing is not searched further, steps. */
const NEAR_ENOUGH = 2;
/** Number of attempts that decide on which side of the wanted rate a place lies. */
const SURE = 48;
/** Distance below which an end of the range counts as the present place, steps. */
const AT_THE_END = 0.5;

export function addToLever({ points }: Lever, steps: number, successes: number, trials: number): void {
  let point = points.find((each) => each.steps === steps);
  if (!point) {
    point = { steps, successes: 0, trials: 0, change: 0 };
    points.push(point);
    points.sort((one, other) => one.steps - other.steps);
  }
  point.successes += successes;
  point.trials += trials;
  const standing = points.find((each) => each.steps === 0);
  if (!standing) return;
  for (const each of points) each.change = differs(standing, each) ? oddsOf(each) - oddsOf(standing) : 0;
}

/** Is it seen, anywhere along the lever, that it matters? */
export const changesSomething = ({ points }: Lever): boolean => points.some(({ change }) => change !== 0);

/** Stretches of a lever at whose ends the wanted share is met on one side only; the nearest to where it stands first. */
export function crossingsOf({ points }: Lever, wanted: number): (readonly [number, number])[] {
  const isMet = ({ successes, trials }: LeverPoint): boolean => successes >= wanted * trials;
  return points
    .flatMap((point, index) => {
      const next = points[index + 1];
      return next && isMet(point) !== isMet(next) ? [[point.steps, next.steps] as const] : [];
    })
    .toSorted((a, b) => Math.abs(a[0] + a[1]) - Math.abs(b[0] + b[1]));
}

const oddsOf = ({ successes, trials }: LeverPoint): number => logOdds((successes + 0.5) / (trials + 1));

const differs = (one: LeverPoint, other: LeverPoint): boolean => {
  const { low, high } = differenceOf(one, other);
  return low > 0 || high < 0;
};

/** Could it be on the other side, for all that was tried there? */
const isUnsure = ({ successes, trials }: LeverPoint, wanted: number): boolean =>
  trials < SURE && Math.abs(successes - wanted * trials) < 2 * Math.sqrt(wanted * (1 - wanted) * trials);

/**
 * Where to look next for a place at which the wanted share is met: both ends first, since on a flat stretch the way cannot be
 * felt; then the middle of the nearest crossing, where an end of the range is one side of it, once that is sure. Undefined once it is near, or where there is none.
 */
export function nextPlace(lever: Lever, wanted: number): number | undefined {
  const { low, high, points } = lever;
  const end = [low, high].find((at) => Math.abs(at) > AT_THE_END && !points.some(({ steps }) => steps === at));
  if (end !== undefined) return end;
  const [nearest] = crossingsOf(lever, wanted);
  const doubtful = points.find(
    (point) =>
      (point.steps === low || point.steps === high) && nearest?.includes(point.steps) && isUnsure(point, wanted),
  );
  if (doubtful) return doubtful.steps;
  return nearest && nearest[1] - nearest[0] > NEAR_ENOUGH ? (nearest[0] + nearest[1]) / 2 : undefined;
}

/** Log odds along a lever, less those where it stands: straight between what was tried, level beyond. */
export function alongLever({ points }: Lever, steps: number): number {
  if (points.length === 0) return 0;
  const right = points.find((point) => point.steps >= steps) ?? points.at(-1)!;
  const left = points[points.indexOf(right) - 1];
  if (!left || right.steps <= steps) return right.change;
  const part = (steps - left.steps) / (right.steps - left.steps);
  return left.change + part * (right.change - left.change);
}
