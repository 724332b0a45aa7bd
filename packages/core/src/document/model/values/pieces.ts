import type { Kinds } from '../schema/kinds.ts';
import type { PieceName } from '../schema/piece.ts';

/** The list of kinds that a sort of piece takes its kind from; none for sorts without kinds. */
export const KINDS_OF_PIECE: Readonly<Partial<Record<PieceName, keyof Kinds>>> = {
  collectable: 'collectables',
  enemy: 'enemies',
  spawner: 'enemies',
  hazard: 'hazards',
  emitter: 'hazards',
  lane: 'enemies',
};

/** Sorts of pieces on kinds of ground that do not hold all: on a run all else would be there many times, or never again. */
const HELD_ON: Readonly<Partial<Record<string, readonly PieceName[]>>> = {
  run: ['start', 'collectable', 'hazard', 'enemy'],
};

/** Sorts of pieces that a kind of ground cannot hold. */
export const isBarredOn = (kind: string, piece: PieceName): boolean => HELD_ON[kind]?.includes(piece) === false;
