import type { Judge, Verdicts } from './judge.ts';
import type { Judging } from './judging.ts';
import { liveRampAt, type LiveRamp } from './liveRamps.ts';
import type { Observed } from './observed.ts';
import { READINGS } from './readings.ts';
import { shareOf } from './resolve.ts';
import type { LiveAmount, ResolvedEffect } from './resolved.ts';
import { TICKS_PER_SECOND } from './ticks.ts';

/** A live ramp as milestones have turned it: its value × times + plus. */
export interface FollowedRamp {
  /** Where its reading stood when it was last read. */
  reading: number;
  times: number;
  plus: number;
}

/** Returns the present number of an amount that follows a parameter. @param dials values of the changing parameters */
export const followed = (live: LiveAmount, dials: readonly number[]): number => {
  const value = (dials[live.dial] as number) * live.times + live.plus;
  return live.of === undefined ? value : shareOf(value, live.of);
};

export const startFollowed = (ramps: readonly LiveRamp[]): FollowedRamp[] =>
  ramps.map(() => ({ reading: Number.NaN, times: 1, plus: 0 }));

/** Ramps along readings take the value that their reading has come to. @param dials values of the changing parameters @returns has any parameter changed? */
export function followReadings(
  dials: number[],
  ramps: readonly LiveRamp[],
  followed: readonly FollowedRamp[],
  observed: Observed,
): boolean {
  let turned = false;
  for (let i = 0; i < followed.length; i++) {
    const mine = followed[i] as FollowedRamp;
    const ramp = ramps[i] as LiveRamp;
    const { collected } = observed;
    // Readings by kind count all kinds together here.
    const reading = READINGS[ramp.axis].read(observed, ramp.axis === 'collected' ? collected.length - 1 : 0);
    if (reading === mine.reading) continue;
    mine.reading = reading;
    const value = liveRampAt(ramp, reading) * mine.times + mine.plus;
    if (value === dials[ramp.dial]) continue;
    dials[ramp.dial] = value;
    turned = true;
  }
  return turned;
}

/** Changes a parameter for the rest of the attempt; of a live ramp, wherever its reading goes. @returns is there such a parameter? */
export function changeDial(
  dials: number[],
  ramps: readonly LiveRamp[],
  followed: readonly FollowedRamp[],
  { dial, change, by }: Extract<ResolvedEffect, { effect: 'parameter' }>,
): boolean {
  const now = dials[dial];
  if (now === undefined) return false;
  dials[dial] = change === 'times' ? now * by : change === 'plus' ? now + by : by;
  ramps.forEach((ramp, index) => {
    if (ramp.dial !== dial) return;
    const mine = followed[index] as FollowedRamp;
    if (change !== 'plus') mine.times = change === 'times' ? mine.times * by : 0;
    mine.plus = change === 'times' ? mine.plus * by : change === 'plus' ? mine.plus + by : by;
  });
  return true;
}

/** Thresholds and limit take the values that parameters have come to. */
export function turnJudge(
  judge: Judge,
  verdicts: Verdicts,
  observed: Observed,
  { liveLimit }: Pick<Judging, 'liveLimit'>,
  dials: readonly number[],
): void {
  for (const node of judge.nodes) {
    if (node.is !== 'compare' || !node.live) continue;
    verdicts.amounts[node.index] = followed(node.live, dials);
    verdicts.goesOn[node.index] = true;
  }
  if (liveLimit) observed.limitTicks = Math.max(0, Math.round(followed(liveLimit, dials) * TICKS_PER_SECOND));
}
