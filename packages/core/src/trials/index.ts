export { LONGEST_ATTEMPT_SECONDS } from './attempts.ts';
export { recordedChoices } from './boutGame.ts';
export { GAVE_UP, LOST_FIGHT, TOO_COSTLY, type Carry, type GameResult } from './game.ts';
export { meetingGame, type PreparedWay, type WayState } from './meetingGame.ts';
export {
  hasBouts,
  hasMeetings,
  isBout,
  meetingsAt,
  prepareGame,
  startingJudgeAt,
  type PreparedGame,
  type PreparedGround,
} from './preparedGame.ts';
export { readyGame, type ReadyGame } from './readyGame.ts';
export { recordedAttempt, recordedGame, type RecordedGame } from './recordedGame.ts';
export { addResult, addTally, emptyTally, type Tally } from './tally.ts';
export { crowdOf, forecastOf, type Crowd, type EndingCount, type Forecast } from './forecast.ts';
export { DEFAULT_PRECISION, isPreciseEnough, LOOKED_AT_EVERY, precisionFor, type Precision } from './stopping.ts';
export { packWins, unpackWins } from './wins.ts';
export { ENGINE, playBatch, seedOf, trialQuestion, type TrialQuestion } from './batch.ts';
export { Ways, type Way } from './ways.ts';
export { fromRow, MOST_BOOKED, type Booked, type BookedRow } from './booked.ts';
export { runsOf, type KnownBooks, type Runs } from './runs.ts';
export { durations, reachedShare, type Funnel, type FunnelSlot, type Stop } from './funnel.ts';
export { attemptsNeeded, mixForecasts, type Mixed, type MixedForecast } from './audience.ts';
export { MOST_TRIES, travel, type Travelled } from './travel.ts';
