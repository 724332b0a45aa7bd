export { LONGEST_ATTEMPT_SECONDS } from './groundGame.ts';
export { recordedChoices } from './boutGame.ts';
export { GAVE_UP, LOST_FIGHT, TOO_COSTLY, type Carry, type GameResult } from './game.ts';
export { meetingGame, type PreparedWay, type WayState } from './meetingGame.ts';
export {
  hasBouts,
  hasMeetings,
  isBout,
  meetingsAt,
  resolveLevel,
  startingJudgeAt,
  type ResolvedLevel,
  type PreparedGround,
} from './resolveLevel.ts';
export { levelRunner, type LevelRunner } from './levelRunner.ts';
export { recordedAttempt, replayingRunner, type ReplayingRunner } from './replayingRunner.ts';
export { addResult, addTally, emptyTally, type Tally } from './tally.ts';
export { crowdOf, forecastOf, type Crowd, type EndingCount, type Forecast } from './forecast.ts';
export { DEFAULT_PRECISION, isPreciseEnough, LOOKED_AT_EVERY, precisionFor, type Precision } from './precision.ts';
export { packWins, unpackWins } from './packedWins.ts';
export { ENGINE, playBatch, seedOf, trialQuestion, type TrialQuestion } from './batch.ts';
export { Ways, type Way } from './ways.ts';
export { fromRow, MOST_RECORDS, type AttemptRecord, type AttemptRow } from './attemptRecord.ts';
export { playthroughsOf, type AttemptRecords, type Playthroughs } from './playthroughs.ts';
export { durations, reachedShare, type Funnel, type FunnelSlot, type Stop } from './funnel.ts';
export { attemptsNeeded, mixForecasts, type Mixed, type MixedForecast } from './mixForecasts.ts';
export { MOST_TRIES, travel, type Travelled } from './travel.ts';
