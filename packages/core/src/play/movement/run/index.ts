export {
  hasFloorBelow,
  hasRoomToStand,
  JUMP,
  loweredHalf,
  run,
  RUN_ON,
  SLIDE,
  standingHalf,
  USUAL_RUN,
} from './run.ts';
export { tierAt } from './sections.ts';
export type { RunMotion, RunOwn } from './state.ts';
