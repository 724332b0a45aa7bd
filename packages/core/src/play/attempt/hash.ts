import { mix, mixFloat } from '../../basics/random/index.ts';
import type { Observed } from '../rules/index.ts';
import { SORTS } from './pieces/index.ts';
import type { AttemptState } from './types.ts';

/** Any number: where a hash begins. */
const SEED = 0x51ad10;

/** Folds numbers into a hash, one after the other. */
function mixAll(hash: number, values: readonly number[]): number {
  for (const value of values) hash = mixFloat(hash, value);
  return hash;
}

/** Folds on/off values into a hash, one after the other. */
function mixFlags(hash: number, values: readonly boolean[]): number {
  for (const value of values) hash = mix(hash, value ? 1 : 0);
  return hash;
}

function hashObserved(hash: number, seen: Observed): number {
  hash = mixAll(hash, [seen.clockTicks, seen.limitTicks, seen.lives, seen.health, seen.tries]);
  hash = mixAll(hash, [seen.height, seen.distance, seen.offGround, seen.bonus]);
  const { worth, collected, left, enemiesLeft, enemiesBeaten, inside, touching, latches, gates, phases, tallies } =
    seen;
  for (const list of [worth, collected, left, enemiesLeft, enemiesBeaten, inside, touching]) hash = mixAll(hash, list);
  for (const list of [latches, gates, phases, tallies]) hash = mixAll(hash, list);
  return hash;
}

function hashVerdicts(hash: number, { verdicts }: AttemptState): number {
  hash = mixFlags(mixFlags(hash, verdicts.truth), verdicts.wasTrue);
  for (const list of [verdicts.numbers, verdicts.held, verdicts.amounts, verdicts.fired, verdicts.sinceFired])
    hash = mixAll(hash, list);
  return mix(hash, verdicts.stars);
}

/** 32 bits over everything an attempt's future depends on: equal exactly when two attempts are equal bit for bit. */
export function hashState(state: AttemptState): number {
  const { body, clock, world } = state;
  let hash = mix(mix(SEED, state.tick), state.phase === 'playing' ? 0 : state.phase === 'won' ? 1 : 2);
  hash = mixAll(hash, [body.x, body.y, body.vx, body.vy, body.facing, state.graceTicks]);
  hash = mixFlags(hash, [clock.runs, clock.warned]);
  hash = hashVerdicts(hashObserved(hash, state.observed), state);
  hash = mixAll(hash, state.dials);
  for (const { reading, times, plus } of state.followed) hash = mixAll(hash, [reading, times, plus]);
  hash = mixAll(hash, [state.lastLifeRule, state.reloadTicks, state.ammunition]);
  for (const shot of state.shots)
    if (shot.active) hash = mixAll(hash, [shot.kind, shot.x, shot.y, shot.vx, shot.vy, shot.reach]);
  hash = world.kind.hash(state.own, hash);
  for (const sort of SORTS) hash = sort.hash?.(state, hash) ?? hash;
  return hash;
}
