export type { Figure, Looks, Mark, Places, Tone } from '../attempt/index.ts';
export {
  COLOURS,
  looksAt,
  looksOf,
  markFigures,
  MARKS,
  usualCollectableLook,
  usualEnemyLook,
} from '../attempt/index.ts';
export { sceneOf, sceneOfAttempt, seenStretch } from './scene.ts';
export { kindFigures } from './kindFigures.ts';
export { placesOf, remember } from './places.ts';
export { happeningInWords } from './happeningWords.ts';
export {
  hiddenMarks,
  lossMarks,
  passMarks,
  gapMarks,
  gapsOf,
  TOO_TIGHT_SECONDS,
  patrolMarks,
  wayFromMarks,
  reachMarks,
  safeDistanceMarks,
  sightMarks,
  findingMarks,
  tieMarks,
  unreachableMarks,
  wayMarks,
} from './overlays.ts';
export { reachOf, waysOf, type Reach, type Ways } from './reachOf.ts';
