import type { Stream } from '../random/index.ts';
import type { Needs } from './needs.ts';
import type { Abilities } from './pacer.ts';

/** One simulated player at one attempt. */
export interface Player {
  abilities: Abilities;
  reactionTicks: number;
  stream: Stream;
  /** Decisions made but not yet acted on, in a ring. */
  pendingInputs: number[];
  pendingTicks: number[];
  firstPending: number;
  pendingCount: number;
  input: number;
  /** Steering drift in deviations. */
  drift: number;
  lapseUntilTick: number;
  needs: Needs;
  /** Wants to shoot. */
  fires: boolean;
  /** Index of the collectable headed for, -1 for none. */
  target: number;
  /** When the target was last chosen, and when something was last gathered or beaten. */
  targetTick: number;
  progressTick: number;
  lastRemaining: number;
}
