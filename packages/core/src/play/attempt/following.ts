import { followed, liveAmount, secondsToTicks, type LiveAmount } from '../rules/index.ts';
import type { Amount } from '../../document/model/index.ts';
import type { Shooting } from './level.ts';
import type { Preparing } from './types.ts';

/** A number that may follow a parameter, as the parameter now is: brought between two ends. */
export const asItIs = (
  value: number,
  live: LiveAmount | undefined,
  dials: readonly number[],
  low: number,
  high: number,
): number => (live ? within(followed(live, dials), low, high) : value);

/** A number brought between two ends; the lower end where it is none. */
export const within = (value: number, low: number, high: number): number =>
  Number.isFinite(value) ? Math.min(high, Math.max(low, value)) : low;

/** Units per second: nothing moves faster. */
export const FASTEST = 25;
/** Most health, damage or ammunition. */
export const MOST = 1e6;
/** Furthest that anything sees or shoots, units. */
export const FURTHEST = 100;
/** Longest wait, seconds. */
const LONGEST_SECONDS = 3600;

/** An amount of seconds in ticks. */
export const ticksOf = ({ number }: Preparing, amount: Amount): number =>
  secondsToTicks(within(number(amount), 0, LONGEST_SECONDS));

/** An amount that follows a parameter that changes during the attempt, under the name of what it sets; nothing otherwise. */
export function following<N extends string>(
  name: N,
  amount: Amount | undefined,
  { resolving }: Preparing,
): Partial<Record<N, LiveAmount>> {
  const live = amount && liveAmount(amount, resolving);
  return (live ? { [name]: live } : {}) as Partial<Record<N, LiveAmount>>;
}

/** How something shoots, made ready. */
export const shootingOf = (
  source: { everySeconds: Amount; speed: Amount; reach: Amount },
  preparing: Preparing,
): Shooting => ({
  ...following('liveEverySeconds', source.everySeconds, preparing),
  ...following('liveSpeed', source.speed, preparing),
  ...following('liveReach', source.reach, preparing),
  everyTicks: Math.max(1, ticksOf(preparing, source.everySeconds)),
  speed: within(preparing.number(source.speed), 0.1, FASTEST),
  reach: within(preparing.number(source.reach), 0.1, FURTHEST),
});

/** How something shoots right now. */
export const shootingNow = (
  source: Shooting,
  dials: readonly number[],
): Pick<Shooting, 'everyTicks' | 'speed' | 'reach'> => ({
  everyTicks: ticksNow(source.everyTicks, source.liveEverySeconds, dials),
  speed: asItIs(source.speed, source.liveSpeed, dials, 0.1, FASTEST),
  reach: asItIs(source.reach, source.liveReach, dials, 0.1, FURTHEST),
});

/** Ticks between two, one at least, as the parameter that they may follow now is. */
export const ticksNow = (ticks: number, live: LiveAmount | undefined, dials: readonly number[]): number =>
  live ? Math.max(1, secondsToTicks(within(followed(live, dials), 0, LONGEST_SECONDS))) : ticks;
