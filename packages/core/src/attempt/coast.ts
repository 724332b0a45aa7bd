import { moveEnemies } from './enemies.ts';
import { emit, moveShots } from './shots.ts';
import type { AttemptState } from './state.ts';
import { TICK_SECONDS } from './step.ts';

/** What moves on after an end. */
export interface AfterEnd {
  freezeTicks: number;
  enemies: boolean;
  emitters: boolean;
}

/** One tick after the end: what the ending lets go on moves, for the eye only. Nothing touches, counts or fires. */
export function coast(state: AttemptState, after: AfterEnd): void {
  if (state.phase === 'playing') return;
  state.afterTicks++;
  if (state.afterTicks <= after.freezeTicks) return;
  const { tick } = state;
  state.tick = tick + state.afterTicks;
  if (after.enemies) moveEnemies(state, TICK_SECONDS);
  if (after.emitters && state.shots.length > 0) {
    emit(state);
    moveShots(state, TICK_SECONDS);
  }
  state.tick = tick;
}
