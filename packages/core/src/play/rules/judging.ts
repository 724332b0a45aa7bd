import type { ReadingName } from '../../document/model/index.ts';
import type { Expiry, LiveAmount, ResolvedCondition, ResolvedRule, ResolvedStars } from './resolved.ts';

/** How the attempts at a level are judged, every number resolved: plain data. */
export interface Judging {
  rules: ResolvedRule[];
  tie: 'win' | 'loss';
  /** -1 for no limit. */
  limitTicks: number;
  liveLimit?: LiveAmount;
  warnAtTicks: number;
  clockStarts: 'load' | 'firstMove' | 'condition';
  clockStart: ResolvedCondition | null;
  atExpiry: Expiry;
  lives: number;
  stars: ResolvedStars;
  score: { reading: ReadingName; subject: number; times: number }[];
  /** Values at the start. */
  tallies: number[];
}
