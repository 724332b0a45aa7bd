import type { Grid } from '../grid/index.ts';
import type { PieceName } from '../../document/model/index.ts';
import { bySort, SORTS } from './pieces/index.ts';
import type { AttemptState, World } from './types.ts';
import { viewOf } from './view.ts';

/** A stretch of ground made ready to be laid on to the right of another. */
export interface Stretch {
  /** As many as the ground has. */
  rows: readonly string[];
  /** Pieces by sort, at places of the stretch. Units. */
  pieces: Readonly<Record<PieceName, readonly unknown[]>>;
}

/** A ground that only this attempt has: what all attempts share stays as it is. */
export function ownGround(state: AttemptState): void {
  const { level, ready } = state.world;
  const { motion } = level;
  const pieces = bySort(({ name }) => [...motion.pieces[name]]);
  state.world = {
    ...state.world,
    level: { ...level, motion: { ...motion, rows: [...motion.rows], pieces } },
    ready: { ...ready },
    views: new Map(),
  };
}

/** The same cells with more columns to their right, which are 0. @param height rows */
function widened(cells: Uint8Array, width: number, height: number, more: number): Uint8Array {
  const wide = new Uint8Array((width + more) * height);
  for (let row = 0; row < height; row++) wide.set(cells.subarray(row * width, (row + 1) * width), row * (width + more));
  return wide;
}

/** The grid with a stretch to its right. */
function gridWith({ walls, width, height }: Grid, rows: readonly string[], more: number): Grid {
  const wide = widened(walls, width, height, more);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < more; x++) wide[y * (width + more) + width + x] = rows[y]?.[x] === '#' ? 1 : 0;
  return { width: width + more, height, walls: wide };
}

interface Placed {
  x: number;
  path?: readonly { x: number; y: number }[];
}

/** A prepared piece further to the right. */
const shifted = (piece: unknown, by: number): unknown => {
  const { x, path } = piece as Placed;
  return {
    ...(piece as object),
    x: x + by,
    ...(path ? { path: path.map((place) => ({ ...place, x: place.x + by })) } : {}),
  };
};

/** Lays a stretch on to the right of an attempt's own ground, with what stands on it. Its places begin where the ground ended. */
export function layOn(state: AttemptState, stretch: Stretch): void {
  const world: World = state.world;
  const { motion } = world.level;
  const { width, height } = world.grid;
  const more = stretch.rows[0]?.length ?? 0;
  motion.rows = motion.rows.map((row, y) => row + (stretch.rows[y] ?? ''));
  world.grid = gridWith(world.grid, stretch.rows, more);
  world.holes = widened(world.holes, width, height, more);
  world.avoid = widened(world.avoid, width, height, more);
  world.views.clear();
  const firsts = bySort(({ name }) => motion.pieces[name].length);
  for (const sort of SORTS) {
    for (const piece of stretch.pieces[sort.name]) {
      const here = shifted(piece, width);
      (motion.pieces[sort.name] as unknown[]).push(here);
      for (const cell of sort.avoids?.(here, world.grid) ?? []) world.avoid[cell] = 1;
    }
  }
  world.hasAvoid = world.avoid.includes(1);
  // New pieces see the ground as it is now.
  state.view = viewOf(world, state.observed.gates);
  for (const sort of SORTS) sort.more?.(motion.pieces[sort.name], firsts[sort.name], state);
}
