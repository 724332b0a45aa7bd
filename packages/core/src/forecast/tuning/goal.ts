import { ticksToSeconds } from '../../play/rules/index.ts';
import type { GameResult } from '../trials/index.ts';

/** A goal for a level. */
export type Goal =
  | { is: 'clearRate'; share: number }
  /** The share of clears that earn this number of stars. */
  | { is: 'stars'; stars: number; share: number }
  /** Half of those who clear it take so long at most. */
  | { is: 'time'; seconds: number };

/** That it is cleared, however often. */
export const CLEARED: Goal = { is: 'clearRate', share: 1 };

/** The share of attempts that is to meet a goal. */
export const wantedShare = (goal: Goal): number => (goal.is === 'time' ? 0.5 : goal.share);

/** Does an attempt meet the goal? Undefined where it says nothing about it. */
export function meets(goal: Goal, result: GameResult): boolean | undefined {
  switch (goal.is) {
    case 'clearRate':
      return result.won;
    case 'stars':
      return result.won ? result.stars >= goal.stars : undefined;
    case 'time':
      return result.won ? ticksToSeconds(result.length) <= goal.seconds : undefined;
  }
}
