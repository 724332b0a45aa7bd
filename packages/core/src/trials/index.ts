export { attemptOnce, LONGEST_ATTEMPT_SECONDS, type AttemptResult } from './attemptOnce.ts';
export { addResult, addTally, emptyTally, type Tally } from './tally.ts';
export { forecastOf, type EndingCount, type Forecast } from './forecast.ts';
export { DEFAULT_PRECISION, isPreciseEnough, type Precision } from './stopping.ts';
export { packWins, unpackWins } from './wins.ts';
export { playBatch, seedOf, trialQuestion, type TrialQuestion } from './batch.ts';
