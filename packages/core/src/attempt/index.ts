export { prepareLevel, type PreparedLevel } from './prepare.ts';
export { makeWorld, type World } from './world.ts';
export { startAttempt, type AttemptState, type Collectable, type Enemy, type Happening } from './state.ts';
export { step, TICK_SECONDS } from './step.ts';
export { hashState } from './hash.ts';
export { REST, headingInput } from './input.ts';
export { startObserved } from './observed.ts';
export { starReading } from './outcome.ts';
