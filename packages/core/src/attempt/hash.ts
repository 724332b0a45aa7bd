import { mix, mixFloat } from '../random/index.ts';
import type { Observed } from '../rules/index.ts';
import type { AttemptState } from './state.ts';

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
  const { player } = state;
  let hash = mix(mix(SEED, state.tick), state.phase === 'playing' ? 0 : state.phase === 'won' ? 1 : 2);
  hash = mixAll(hash, [player.x, player.y, player.vx, player.vy, state.facing, state.graceTicks]);
  hash = mixFlags(hash, [state.clockRuns, state.warned]);
  hash = hashVerdicts(hashObserved(hash, state.observed), state);
  hash = mixAll(hash, state.dials);
  for (const { reading, times, plus } of state.followed) hash = mixAll(hash, [reading, times, plus]);
  hash = mixAll(hash, [state.lastLifeRule, state.reloadTicks, state.ammunition]);
  for (const shot of state.shots)
    if (shot.active) hash = mixAll(hash, [shot.kind, shot.x, shot.y, shot.vx, shot.vy, shot.reach]);
  hash = mixFloat(hash, state.speed);
  for (const piece of state.collectables) hash = mix(hash, piece.gathered ? 1 : piece.hidden ? 2 : 0);
  // Their order decides which of two that are equally good a player goes for.
  for (let i = 0; i < state.remainingCount; i++) hash = mix(hash, state.remaining[i] as number);
  hash = mix(hash, state.checkpoint);
  hash = mixFlags(hash, state.closing);
  hash = mixAll(hash, state.emitterDueTick);
  for (const enemy of state.enemies) {
    hash = mix(hash, enemy.active ? 1 : 0);
    if (!enemy.active) continue;
    hash = mixAll(hash, [enemy.x, enemy.y, enemy.vx, enemy.vy, enemy.health, enemy.speed, enemy.homeX, enemy.homeY]);
    hash = mixAll(hash, [enemy.aimX, enemy.aimY, enemy.wantX, enemy.wantY, enemy.memoryTicks, enemy.targetCell]);
    hash = mixAll(hash, [enemy.pathStep, enemy.pathDirection]);
  }
  // Pairs that are close push each other apart in this order.
  for (const enemy of state.sweep) hash = mix(hash, enemy.index);
  hash = mixFlags(hash, state.wasTouching);
  for (const { sent, dueTick, started } of state.spawners) hash = mixAll(hash, [sent, dueTick, started ? 1 : 0]);
  return mixAll(hash, state.stoodIn);
}
