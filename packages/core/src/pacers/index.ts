export { PACERS, pacerById, PERFECT, type Abilities, type Pacer } from './pacer.ts';
export { drawPlayer } from './drawPlayer.ts';
export { makePlayer, playerInput } from './player.ts';
export type { Player } from './playerState.ts';
export { emptyNeeds, pendingNeeds, type Needs } from './needs.ts';
