export { emptyObserved, type Observed } from './observed.ts';
export { READINGS, readingDefinition, type ReadingDefinition } from './readings.ts';
export { compare, COMPARISON_WORDS } from './compare.ts';
export { placedOn, type Placed } from './placed.ts';
export { resolveAmount, resolveRules, secondsToTicks, TICKS_PER_SECOND } from './resolve.ts';
export type { ResolvedCondition, ResolvedEffect, ResolvedRule, Subjects } from './resolved.ts';
export {
  judgeTick,
  makeJudge,
  startVerdicts,
  type Ending,
  type Judge,
  type JudgeNode,
  type Verdicts,
} from './judge.ts';
export { starsFor } from './stars.ts';
export {
  amountInWords,
  causeInWords,
  comparisonInWords,
  conditionInWords,
  readingInWords,
  type Names,
} from './words.ts';
export { eachCondition, endingOfRule, leaves, type Leaf } from './walk.ts';
