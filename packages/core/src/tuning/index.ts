export { moversOf, type Mover, type Movers, type MoverTrials } from './whatMovesIt.ts';
export { bringThere, type Brought, type Crossing, type Search, type Tried } from './bringThere.ts';
export { meets, wantedShare, type Goal } from './goal.ts';
export { moversLine, parameterLine, type TuningLine } from './line.ts';
export { parFrom, shareMeeting, thresholdFor, type ProposedStar } from './starShares.ts';
export {
  fitPlayer,
  partsOf,
  type FitAsked,
  type FitBatch,
  type FitSlot,
  type RampFit,
  type RampFitting,
  type Unmet,
} from './fitAsked.ts';
export { fitRamps } from './fitRamps.ts';
export {
  smoothedRates,
  sweepOver,
  sweptValues,
  type Sweep,
  type SweepAsked,
  type SweepAxis,
  type Sweeping,
  type SweepPoint,
} from './sweep.ts';
