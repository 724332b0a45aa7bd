export { Amount, ShareSource, type ParameterAmount } from './schema/amount.ts';
export { literal, fromParameter } from './values/literal.ts';
export { Clock } from './schema/clock.ts';
export { Comparison, Condition, GroupKind } from './schema/condition.ts';
export { MAX_CONDITION_DEPTH } from './values/limits.ts';
export { Effect, type EffectName } from './schema/effect.ts';
export { LOSABLE } from './values/losable.ts';
export { Ending, GoesOn, type EndingSide } from './schema/ending.ts';
export { ExpectationEntry, ExpectedVerdict, type Expectation } from './schema/expectation.ts';
export { GroundEntry, type Ground, type Section } from './schema/ground.ts';
export { isBarredOn } from './values/pieces.ts';
export { Id } from './schema/ids.ts';
export { freshId, freshName, slugOf, type MintId } from './values/names.ts';
export {
  CollectableEntry,
  EnemyEntry,
  HazardEntry,
  Look,
  type CollectableKind,
  type EnemyKind,
  type HazardKind,
  type Kinds,
} from './schema/kinds.ts';
export { LevelEntry, type Level } from './schema/level.ts';
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
} from './values/listed.ts';
export { Limits } from './values/limits.ts';
export { Line, Name } from './schema/name.ts';
export {
  Breather,
  LiveAxis,
  NumberKind,
  ParameterEntry,
  Ramp,
  Shape,
  type Parameter,
  type ShapeType,
} from './schema/parameter.ts';
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
} from './schema/bout.ts';
export { pacerOf, usualAudience, usualPacers } from './values/usualPacers.ts';
export { type Pacer } from './schema/pacer.ts';
export { KINDS_OF_PIECE } from './values/pieces.ts';
export { PieceEntry, Place, type MarkedPiece, type Piece, type PieceName } from './schema/piece.ts';
export { PROJECT_FORMAT, PROJECT_VERSION } from './values/format.ts';
export { ProjectDocument, type LeftSo, type Project } from './schema/project.ts';
export { Reading, type ReadingName } from './schema/reading.ts';
export {
  findReferenceProblems,
  kindsInAmounts,
  parametersIn,
  usesOfParameter,
  type ParameterUse,
  type ReferenceProblem,
} from './values/references.ts';
export { RuleEntry, type Rule } from './schema/rule.ts';
export { TallyPolicy, TallyPolicies, Run, type ScorePart, type Tally } from './schema/run.ts';
export { RUN_EVENTS, RUN_TALLIES, type PlaythroughEvent, type RunTally } from './values/playthroughTallies.ts';
export { usualTallyPolicies } from './values/templates.ts';
export { pointerOf } from './values/pointer.ts';
export { positionOf } from './values/positions.ts';
export { type LiveTier, type Slot, type Tier } from './schema/sequence.ts';
export { StarReading, Stars } from './schema/stars.ts';
export { emptyProject, usualLosses, usualShooting, newLevel, usualEnding } from './values/templates.ts';
