export { Amount, ShareSource, literal, fromParameter, type ParameterAmount } from './amount.ts';
export { Clock } from './clock.ts';
export { Comparison, Condition, GroupKind, MAX_CONDITION_DEPTH } from './condition.ts';
export { Effect, LOSABLE, type EffectName } from './effect.ts';
export { Ending, GoesOn, type EndingSide } from './ending.ts';
export { Expectation, ExpectedVerdict } from './expectation.ts';
export { Ground, Place } from './ground.ts';
export { Id, freshId, slugOf } from './ids.ts';
export { CollectableKind, EnemyKind, HazardKind, Kinds } from './kinds.ts';
export { Level } from './level.ts';
export { Limits } from './limits.ts';
export { Breather, LiveAxis, NumberKind, Parameter, Ramp, Shape, type ShapeType } from './parameter.ts';
export { Piece, type PieceName } from './piece.ts';
export { PROJECT_FORMAT, PROJECT_VERSION, Project } from './project.ts';
export { Reading, type ReadingName } from './reading.ts';
export {
  findReferenceProblems,
  parametersIn,
  usesOfParameter,
  type ParameterUse,
  type ReferenceProblem,
} from './references.ts';
export { Rule } from './rule.ts';
export {
  TallyPolicy,
  TallyPolicies,
  Run,
  RUN_EVENTS,
  RUN_TALLIES,
  ScorePart,
  Tally,
  usualTallyPolicies,
  type RunEvent,
  type RunTally,
} from './run.ts';
export { pointerOf } from './pointer.ts';
export { positionOf } from './positions.ts';
export { LiveTier, Slot, Tier } from './sequence.ts';
export { StarReading, Stars } from './stars.ts';
export { emptyProject, newLevel, usualEnding } from './templates.ts';
