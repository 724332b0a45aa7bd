export { leap, USUAL_LEAP } from './leap.ts';
export { isStandable } from './standing.ts';
export type { LeapMotion, LeapOwn } from './state.ts';
