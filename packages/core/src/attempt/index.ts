export { prepareLevel, prepareWith, resolvingAt, type PreparedLevel } from './prepare.ts';
export { makeWorld, viewOf, type View, type World } from './world.ts';
export { startAttempt, type AttemptState, type Collectable, type Enemy, type Happening, type Shot } from './state.ts';
export { startAttemptFrom, type StartFrom } from './startFrom.ts';
export { expiryAt, step, TICK_SECONDS } from './step.ts';
export { coast, type AfterEnd } from './coast.ts';
export {
  cutAt,
  emptyRecording,
  record,
  recordedTicks,
  replay,
  timelineOf,
  type Recording,
  type Timeline,
} from './recording.ts';
export { hashState } from './hash.ts';
export { FIRE, REST, headingInput } from './input.ts';
export { startObserved } from './observed.ts';
export { starReading } from './outcome.ts';
export { courtOf, placedWorth } from './court.ts';
