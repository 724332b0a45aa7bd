export { copyObserved, emptyObserved, type Observed, type ObservedSizes, type ScoreTerm } from './observed.ts';
export {
  BOUT_READINGS,
  READINGS,
  readingDefinition,
  readingName,
  subjectId,
  type ReadingDefinition,
} from './readings.ts';
export { compare, COMPARISON_SIGNS, COMPARISON_WORDS } from './compare.ts';
export { secondsToTicks, TICK_SECONDS, TICKS_PER_SECOND, ticksToSeconds } from './ticks.ts';
export type { Placed } from './placed.ts';
export { rulesOf, type RuleInForce } from './rulesOf.ts';
export {
  changedParameters,
  liveAmount,
  MOST_HELD_SECONDS,
  resolveAmount,
  resolveCondition,
  resolveRules,
  resolveStars,
  shareOf,
  subjectOf,
  type Resolving,
} from './resolve.ts';
export type {
  Expiry,
  LiveAmount,
  ResolvedCondition,
  ResolvedEffect,
  ResolvedRule,
  ResolvedStars,
  Subjects,
} from './resolved.ts';
export {
  endTick,
  judgeTick,
  makeJudge,
  startVerdicts,
  type Ending,
  type Judge,
  type JudgeNode,
  type Verdicts,
} from './judge.ts';
export { startClock, tickClock, type ClockState } from './clock.ts';
export { count, takeLives, type Counting } from './counting.ts';
export { changeDial, followed, followReadings, startFollowed, turnJudge, type FollowedRamp } from './dials.ts';
export type { Judging } from './judging.ts';
export { liveParameters, liveRampAt, liveRampsOf, type LiveRamp } from './liveRamps.ts';
export { starCount, starsFor } from './stars.ts';
export { conditionsBesideRules } from './levelConditions.ts';
export { numbersIn, objectiveInWords, type SayAmount } from './objective.ts';
export {
  amountInWords,
  causeInWords,
  comparisonInWords,
  conditionInWords,
  effectInWords,
  groupInWords,
  readingInWords,
  ruleInWords,
  type Names,
} from './words.ts';
export { eachCondition, endingOfRule, leaves, type Leaf } from './walk.ts';
export {
  edgeCasesOf,
  judgeFrames,
  type CasePlace,
  type CaseVerdict,
  type EdgeCase,
  type Frame,
  type Setting,
  type StartingJudge,
} from './edgeCases.ts';
export { clockCasesOf, starCasesOf, type EndCase } from './endCases.ts';
export { readingAt } from './subjects.ts';
