import type { PieceName } from '../../../document/model/index.ts';
import type { PieceSort } from '../types.ts';
import { checkpoint } from './checkpoint.ts';
import { collectable } from './collectable.ts';
import { emitter } from './emitter.ts';
import { enemy } from './enemy.ts';
import { gate } from './gate.ts';
import { hazard } from './hazard.ts';
import { lane } from './lane.ts';
import { latch } from './latch.ts';
import { spawner } from './spawner.ts';
import { start } from './start.ts';
import { zone } from './zone.ts';

/** Every sort of piece. They act in this order wherever several act at the same moment. */
export const PIECES: Readonly<Record<PieceName, PieceSort>> = {
  start,
  collectable,
  latch,
  checkpoint,
  goal: zone,
  zone,
  gate,
  emitter,
  enemy,
  spawner,
  hazard,
  lane,
};

/** Each sort once. */
export const SORTS: readonly PieceSort[] = [...new Set(Object.values(PIECES))];

/** One value per sort, under its name; sorts that stand for two pieces share one. */
export function bySort<T>(make: (sort: PieceSort) => T): Record<PieceName, T> {
  const made = {} as Record<PieceName, T>;
  for (const sort of SORTS) made[sort.name] = make(sort);
  return made;
}
