import { changeDial, followed, followReadings, turnJudge, type ResolvedEffect } from '../rules/index.ts';
import { SORTS } from './pieces/index.ts';
import type { AttemptState } from './types.ts';

/** Everything that follows a changed parameter takes its new value. */
function turnDials(state: AttemptState): void {
  const { world, verdicts, observed, dials } = state;
  const { motion, judging } = world.level;
  for (const name in motion.body.live) {
    const live = motion.body.live[name];
    if (live) world.kind.dials[name]?.(state, state.own, followed(live, dials));
  }
  for (const sort of SORTS) sort.turn?.(state);
  turnJudge(world.judge, verdicts, observed, judging, dials);
}

/** Ramps along readings take the value that their reading has come to. */
export function followRamps(state: AttemptState): void {
  const { dials, followed: ramps, observed, world } = state;
  if (followReadings(dials, world.level.motion.liveRamps ?? [], ramps, observed)) turnDials(state);
}

/** Changes a parameter for the rest of the attempt. */
export function changeParameter(state: AttemptState, effect: Extract<ResolvedEffect, { effect: 'parameter' }>): void {
  const { dials, followed: ramps, world } = state;
  if (changeDial(dials, world.level.motion.liveRamps ?? [], ramps, effect)) turnDials(state);
}
