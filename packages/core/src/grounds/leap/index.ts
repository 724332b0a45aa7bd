export { gapsOn } from './gaps.ts';
export { isStandable, jumpFacts, leap, USUAL_LEAP, type LeapMotion, type LeapOwn } from './leap.ts';
