export { PACERS, pacerById, PERFECT, type Abilities, type Pacer } from './pacer.ts';
export { drawPlayer } from './drawPlayer.ts';
export { makePlayer, playerInput, type Player } from './player.ts';
export { pendingNeeds, type Needs } from './needs.ts';
