export { moversOf, type Mover, type Movers } from './whatMovesIt.ts';
export { bringThere, type Brought, type Crossing, type Tried } from './bringThere.ts';
export { answered, batchPlayer, partsOf, type Batch, type BatchPlayer, type Search } from './search.ts';
export { meets, wantedShare, type Goal } from './goal.ts';
export { moversLine, parameterLine, type TuningLine } from './line.ts';
export { parFrom, shareMeeting, thresholdFor, type ProposedStar } from './starShares.ts';
export { type FitAsked, type FitSlot, type RampFit, type Unmet } from './fitAsked.ts';
export { fitRamps } from './fitRamps.ts';
export {
  smoothedRates,
  SWEEP_ATTEMPTS,
  sweepOver,
  sweptValues,
  type Sweep,
  type SweepAsked,
  type SweepAxis,
  type SweepPoint,
} from './sweep.ts';
export {
  goalOf,
  searchFor,
  lineOf,
  type BringAsked,
  type TuningAsked,
  type TuningFound,
  type TuningName,
} from './question.ts';
export { onlyLevelAt, partsOfQuestion } from './dependsOn.ts';
