export { Amount, ShareSource, literal, fromParameter, type ParameterAmount } from './amount.ts';
export { Clock } from './clock.ts';
export { Comparison, Condition, GroupKind, MAX_CONDITION_DEPTH } from './condition.ts';
export { Effect, LOSABLE, type EffectName } from './effect.ts';
export { Ending, GoesOn, type EndingSide } from './ending.ts';
export { ExpectationEntry, ExpectedVerdict, type Expectation } from './expectation.ts';
export { GroundEntry, isBarredOn, type Ground, type Section } from './ground.ts';
export { Id, freshId, freshName, slugOf, type MintId } from './ids.ts';
export {
  CollectableEntry,
  EnemyEntry,
  HazardEntry,
  Look,
  type CollectableKind,
  type EnemyKind,
  type HazardKind,
  type Kinds,
} from './kinds.ts';
export { LevelEntry, type Level } from './level.ts';
export {
  boutsEntryOf,
  documentOf,
  entryOf,
  groundEntryOf,
  idOf,
  levelEntryOf,
  numbersOf,
  projectOf,
  sectionItemOf,
  type Item,
} from './listed.ts';
export { Limits } from './limits.ts';
export { Line, Name } from './name.ts';
export {
  Breather,
  LiveAxis,
  NumberKind,
  ParameterEntry,
  Ramp,
  Shape,
  type Parameter,
  type ShapeType,
} from './parameter.ts';
export {
  ActionEntry,
  BoutsEntry,
  FighterEntry,
  GroupEntry,
  LevelBout,
  Meetings,
  StatisticEntry,
  type Action,
  type Bouts,
  type Fighter,
  type Group,
  type Statistic,
} from './bout.ts';
export { pacerOf, usualAudience, usualPacers, type Pacer } from './pacer.ts';
export { KINDS_OF_PIECE, PieceEntry, Place, type MarkedPiece, type Piece, type PieceName } from './piece.ts';
export { PROJECT_FORMAT, PROJECT_VERSION, ProjectDocument, type LeftSo, type Project } from './project.ts';
export { Reading, type ReadingName } from './reading.ts';
export {
  findReferenceProblems,
  kindsInAmounts,
  parametersIn,
  usesOfParameter,
  type ParameterUse,
  type ReferenceProblem,
} from './references.ts';
export { RuleEntry, type Rule } from './rule.ts';
export {
  TallyPolicy,
  TallyPolicies,
  Run,
  RUN_EVENTS,
  RUN_TALLIES,
  usualTallyPolicies,
  type PlaythroughEvent,
  type RunTally,
  type ScorePart,
  type Tally,
} from './run.ts';
export { pointerOf } from './pointer.ts';
export { positionOf } from './positions.ts';
export { type LiveTier, type Slot, type Tier } from './sequence.ts';
export { StarReading, Stars } from './stars.ts';
export { emptyProject, usualLosses, usualShooting, newLevel, usualEnding } from './templates.ts';
