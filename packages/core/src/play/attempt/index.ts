export type { Area, KindMotion, PreparedLevel } from './level.ts';
export type {
  Action,
  AttemptState,
  Control,
  Gap,
  GroundKind,
  GroundPart,
  Happening,
  Moment,
  PieceSort,
  PlayerBody,
  Preparing,
  Shot,
  StartFrom,
  View,
  World,
} from './types.ts';
export { FASTEST, following, shootingNow, within } from './following.ts';
export { judgingOf, prepareOn, resolvingAt } from './prepare.ts';
export { makeWorldOn } from './world.ts';
export { viewOf } from './view.ts';
export { startAttempt, startAttemptFrom } from './startAttempt.ts';
export { step } from './step.ts';
export { layOn, ownGround, type Stretch } from './layOn.ts';
export { coast, type AfterEnd } from './coast.ts';
export {
  cutAt,
  emptyRecording,
  inputsOf,
  inputAfter,
  record,
  recordedTicks,
  replay,
  timelineOf,
  type Recording,
  type Timeline,
} from './recording.ts';
export { carryBody, noteOffGround, putAtRest } from './playerBody.ts';
export { hashState } from './hash.ts';
export { FIRE, REST } from './input.ts';
export { startObserved } from './observed.ts';
export { starReading } from './starReading.ts';
export { startingJudgeOf } from './startingJudge.ts';
export { briefOf } from './brief.ts';
export { namesFor, placedOn, subjectsOf } from './pieces/facts.ts';
export { beyond, REACH } from './touching.ts';
export { SHOT_RADIUS } from './shots.ts';
export { bySort, PIECES, SORTS } from './pieces/index.ts';
export { between, disc, type Figure, type Mark, type Places, type Tone } from './mark.ts';
export { collectablesOf, worthAtStart, type Collectable } from './pieces/collectable.ts';
export {
  lanesOf,
  lengthOf,
  runsAlongRow,
  trafficOf,
  usualGap,
  type PreparedLane,
  type Traffic,
} from './pieces/lane.ts';
export { enemiesOf, HEADED_MOVEMENTS, preparedEnemies, type Enemy } from './pieces/enemies.ts';
export { hazardsOf } from './pieces/hazard.ts';
export { latchesOf } from './pieces/latch.ts';
export { startPlace } from './pieces/start.ts';
export { zonesOf } from './pieces/zone.ts';
export {
  COLOURS,
  looksAt,
  looksOf,
  markFigures,
  MARKS,
  usualCollectableLook,
  usualEnemyLook,
  type Looks,
} from './looks.ts';
