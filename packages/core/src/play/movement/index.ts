export { GROUND_KIND_NAMES, groundKindOf, makeWorld, prepareLevel, prepareWith } from './kinds.ts';
export { STEPS, USUAL_CROSS, type CrossMotion, type CrossOwn } from './cross/index.ts';
export { USUAL_LIFT, type LiftMotion, type LiftOwn } from './lift/index.ts';
export {
  hasFloorBelow,
  hasRoomToStand,
  JUMP,
  loweredHalf,
  RUN_ON,
  SLIDE,
  standingHalf,
  tierAt,
  USUAL_RUN,
  type RunMotion,
  type RunOwn,
} from './run/index.ts';
export { copyLeaping, jumpFacts, LONG_AIR, type JumpFacts, type Leaping } from './jumping.ts';
export { isStandable, USUAL_LEAP, type LeapMotion, type LeapOwn } from './leap/index.ts';
export { isHeld, sideInput, sideOf, type Side } from './sideways.ts';
export { headingInput, type RoamMotion, type RoamOwn } from './roam/index.ts';
