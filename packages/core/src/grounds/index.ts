export { groundKindOf, makeWorld, prepareLevel, prepareWith } from './kinds.ts';
export { headingInput, type RoamMotion, type RoamOwn } from './roam/index.ts';
