import { liveRampAt, READINGS, TICKS_PER_SECOND, type LiveRamp, type ResolvedEffect } from '../rules/index.ts';
import { followed } from './amounts.ts';
import { SORTS } from './pieces/index.ts';
import type { AttemptState, FollowedRamp } from './shell.ts';

type ParameterEffect = Extract<ResolvedEffect, { effect: 'parameter' }>;

/** Everything that follows a changed parameter takes its new value. */
function turnDials(state: AttemptState): void {
  const { dials, world, verdicts, observed } = state;
  const { motion, judging } = world.level;
  for (const name in motion.body.live) {
    const live = motion.body.live[name];
    if (live) world.kind.dials[name]?.(state, state.own, followed(live, dials));
  }
  for (const sort of SORTS) sort.turn?.(state);
  for (const node of world.judge.nodes)
    if (node.is === 'compare' && node.live) verdicts.amounts[node.index] = followed(node.live, dials);
  if (judging.liveLimit)
    observed.limitTicks = Math.max(0, Math.round(followed(judging.liveLimit, dials) * TICKS_PER_SECOND));
}

/** Ramps along readings take the value that their reading has come to. */
export function followReadings(state: AttemptState): void {
  const { world, observed, dials } = state;
  const ramps = world.level.motion.liveRamps ?? [];
  let turned = false;
  for (let i = 0; i < state.followed.length; i++) {
    const mine = state.followed[i] as FollowedRamp;
    const ramp = ramps[i] as LiveRamp;
    const { collected } = observed;
    // Of all kinds together for what is counted by kind.
    const reading = READINGS[ramp.axis].read(observed, ramp.axis === 'collected' ? collected.length - 1 : 0);
    if (reading === mine.reading) continue;
    mine.reading = reading;
    const value = liveRampAt(ramp, reading) * mine.times + mine.plus;
    if (value === dials[ramp.dial]) continue;
    dials[ramp.dial] = value;
    turned = true;
  }
  if (turned) turnDials(state);
}

/** Changes a parameter for the rest of the attempt; of a live ramp, wherever its reading goes. */
export function changeParameter(state: AttemptState, { dial, change, by }: ParameterEffect): void {
  const { dials } = state;
  const now = dials[dial];
  if (now === undefined) return;
  dials[dial] = change === 'times' ? now * by : change === 'plus' ? now + by : by;
  (state.world.level.motion.liveRamps ?? []).forEach((ramp, index) => {
    if (ramp.dial !== dial) return;
    const mine = state.followed[index] as FollowedRamp;
    if (change !== 'plus') mine.times = change === 'times' ? mine.times * by : 0;
    mine.plus = change === 'times' ? mine.plus * by : change === 'plus' ? mine.plus + by : by;
  });
  turnDials(state);
}
