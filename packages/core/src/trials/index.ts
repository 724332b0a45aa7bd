export { LONGEST_ATTEMPT_SECONDS } from './attempts.ts';
export { GAVE_UP, TOO_COSTLY, type Carry, type GameResult } from './game.ts';
export { readyGame, type ReadyGame } from './readyGame.ts';
export { addResult, addTally, emptyTally, type Tally } from './tally.ts';
export { forecastOf, type EndingCount, type Forecast } from './forecast.ts';
export { DEFAULT_PRECISION, isPreciseEnough, LOOKED_AT_EVERY, type Precision } from './stopping.ts';
export { packWins, unpackWins } from './wins.ts';
export { playBatch, seedOf, trialQuestion, type TrialQuestion } from './batch.ts';
export { Ways, type Way } from './ways.ts';
