export type { Abilities } from '../../basics/abilities/index.ts';
export { everyPacer, PERFECT, PERFECT_PACER, type Population } from './pacer.ts';
export { learnedAbilities } from './learned.ts';
export { deviationsOf } from './deviations.ts';
export { drawPlayer } from './drawPlayer.ts';
export { makePlayer } from './makePlayer.ts';
export { isDecidedAt, playerInput } from './player.ts';
export type { Driver, Player } from './driver.ts';
export { emptyNeeds, needsToOpenTheWay, pendingNeeds, type Needs } from './goals/index.ts';
