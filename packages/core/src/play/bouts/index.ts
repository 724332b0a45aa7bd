export {
  goOn,
  healthShare,
  leftOf,
  isOurs,
  makeBoutWorld,
  stands,
  standingNow,
  startBout,
  startBoutAnew,
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
  makeBoutLevelWorld,
  prepareBoutLevel,
  startingBoutJudgeOf,
  turnTicksOf,
  USUAL_TURN_SECONDS,
  withoutNames,
  type BoutLevelWorld,
  type PreparedBoutLevel,
  type WithBouts,
} from './level.ts';
export { attemptByHand, boutInHand, playedByHand, type ByHand, type Hand } from './byHand.ts';
export {
  boutTrials,
  LEVEL_SHARES,
  levelWinning,
  playBout,
  playMet,
  type BoutForecast,
  type BoutTrials,
} from './forecast.ts';
export { boutMind, byWeight, choosing, type BoutMind, type Option } from './minds.ts';
export {
  experienceNeeded,
  LEAST_SEEN,
  MOST_BOUTS_TO_A_LEVEL,
  gainOf,
  grownBy,
  levelBefore,
  meanGain,
  meetingsAlong,
  pacingOf,
  type Gain,
  type Grown,
  type MeetingsAt,
  type PacingAt,
} from './pacing.ts';
export {
  groupsMet,
  meetingsExpected,
  meetingsOf,
  meetNow,
  partyOnWay,
  prepareMeetings,
  spreadOnWay,
  startOnWay,
  wayAcross,
  type Met,
  type MetOnWay,
  type OnWay,
  type PreparedMeetings,
} from './onWay.ts';
export type { PreparedAction, PreparedBout, PreparedFighter, PreparedUse } from './prepared.ts';
export { harmOf, harmTable, oddsOf, type Harm } from './sheet.ts';
export {
  boutAmount,
  meetingOf,
  membersOf,
  MOST_LEVEL,
  MOST_MEMBERS,
  NOBODY,
  prepareBout,
  statisticsOf,
  type Meeting,
} from './statistics.ts';
