export {
  askedNow,
  goOn,
  healthShare,
  leftOf,
  isOurs,
  makeBoutWorld,
  stands,
  startBout,
  targetsOf,
  usable,
  withdraw,
  type BoutPhase,
  type BoutState,
  type BoutWorld,
  type Choice,
  type Choosing,
  type Struck,
  type Turn,
} from './bout.ts';
export { goOnAttempt, startBoutAttempt, type BoutAttempt, type BoutStart } from './attempt.ts';
export {
  isBoutLevel,
  makeBoutLevelWorld,
  prepareBoutLevel,
  startingBoutJudgeOf,
  USUAL_TURN_SECONDS,
  type BoutLevel,
  type BoutLevelWorld,
  type PreparedBoutLevel,
} from './level.ts';
export { attemptByHand, playedByHand, type ByHand } from './byHand.ts';
export { boutTrials, LEVEL_SHARES, levelWinning, playBout, type BoutForecast, type BoutTrials } from './forecast.ts';
export { boutMind, byWeight, choosing, optionsOf, type BoutMind, type Option } from './minds.ts';
export {
  experienceNeeded,
  gainOf,
  meanGain,
  meetingsAlong,
  pacingOf,
  type Gain,
  type MeetingsAt,
  type PacingAt,
} from './pacing.ts';
export type { PreparedAction, PreparedBout, PreparedFighter, PreparedUse } from './prepared.ts';
export { harmOf, harmTable, oddsOf, type Harm } from './sheet.ts';
export {
  boutAmount,
  membersOf,
  MOST_LEVEL,
  MOST_MEMBERS,
  prepareBout,
  statisticsOf,
  type Meeting,
} from './statistics.ts';
