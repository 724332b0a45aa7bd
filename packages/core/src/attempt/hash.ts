import { mix, mixFloat } from '../random/index.ts';
import type { AttemptState } from './state.ts';

/** 32 bits over everything an attempt's future depends on: equal exactly when two attempts are equal bit for bit. */
export function hashState(state: AttemptState): number {
  const { player, observed } = state;
  let hash = mix(0x51ad10, state.tick);
  for (const value of [player.x, player.y, player.vx, player.vy, observed.health, observed.bonus, observed.distance])
    hash = mixFloat(hash, value);
  for (const enemy of state.enemies) {
    if (!enemy.active) continue;
    for (const value of [enemy.x, enemy.y, enemy.vx, enemy.vy, enemy.health]) hash = mixFloat(hash, value);
  }
  for (const shot of state.shots) if (shot.active) hash = mixFloat(mixFloat(hash, shot.x), shot.y);
  for (const value of [...state.dials, ...observed.tallies]) hash = mixFloat(hash, value);
  for (const value of [...observed.latches, ...observed.gates, ...observed.phases]) hash = mix(hash, value);
  for (const piece of state.collectables) hash = mix(hash, piece.gathered ? 1 : piece.hidden ? 2 : 0);
  hash = mix(mix(hash, observed.lives), observed.clockTicks);
  return mix(hash, state.phase === 'playing' ? 0 : state.phase === 'won' ? 1 : 2);
}
