import type { GoesOn } from '../../document/model/index.ts';
import { SORTS } from './pieces/index.ts';
import type { AttemptState } from './types.ts';
import { moveShots } from './shots.ts';

/** The motion that continues after an end. */
export interface AfterEnd {
  /** Ticks for which nothing moves. */
  freezeTicks: number;
  goesOn: readonly GoesOn[];
}

/** One tick after the end: what the ending lets go on moves, for the eye only. Nothing touches, counts or fires. */
export function coast(state: AttemptState, after: AfterEnd): void {
  if (state.phase === 'playing') return;
  state.afterTicks++;
  if (state.afterTicks <= after.freezeTicks) return;
  const { tick } = state;
  state.tick = tick + state.afterTicks;
  for (const sort of SORTS) {
    if (!sort.goesOn || !after.goesOn.includes(sort.goesOn)) continue;
    sort.tick?.(state);
    sort.move?.(state);
    if (sort.shoots) moveShots(state);
  }
  state.tick = tick;
}
