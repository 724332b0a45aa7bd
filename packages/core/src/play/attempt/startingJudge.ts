import { makeJudge, type StartingJudge } from '../rules/index.ts';
import type { PreparedLevel } from './level.ts';
import { startObserved } from './observed.ts';

/** The judge of a prepared level with what it sees before anybody has moved: for judging cases without playing. */
export function startingJudgeOf(level: PreparedLevel): StartingJudge {
  const { rules, tie, stars, clockStart, atExpiry } = level.judging;
  return { judge: makeJudge(rules, tie, { stars, clockStart }), start: startObserved(level), atExpiry };
}
