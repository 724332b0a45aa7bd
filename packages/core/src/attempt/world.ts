import { DistanceMaps, makeGrid, type Grid } from '../ground/index.ts';
import { makeJudge, type Judge } from '../rules/index.ts';
import type { PreparedLevel } from './prepare.ts';

/** What all attempts at one prepared level share; made once. */
export interface World {
  level: PreparedLevel;
  grid: Grid;
  maps: DistanceMaps;
  judge: Judge;
  /** By cell: the collectables that can be reached from somewhere in it; undefined for none. */
  near: (number[] | undefined)[];
  /** Distance at which the player gathers a piece, units. */
  gatherReach: number;
  largestEnemyRadius: number;
}

/** How near a player's edge must come to a collectable's middle to gather it. Units. */
const REACH = 0.35;

/** Most ticks pass with nothing in reach: looking a cell up spares trying every piece. */
function piecesNear(level: PreparedLevel, grid: Grid, reach: number): World['near'] {
  const near: World['near'] = new Array<number[] | undefined>(grid.walls.length).fill(undefined);
  level.motion.collectables.forEach((piece, index) => {
    for (let row = Math.floor(piece.y - reach); row <= Math.floor(piece.y + reach); row++) {
      for (let column = Math.floor(piece.x - reach); column <= Math.floor(piece.x + reach); column++) {
        if (row < 0 || column < 0 || row >= grid.height || column >= grid.width) continue;
        (near[row * grid.width + column] ??= []).push(index);
      }
    }
  });
  return near;
}

export function makeWorld(level: PreparedLevel): World {
  const grid = makeGrid(level.motion.rows);
  const gatherReach = level.motion.player.radius + REACH;
  return {
    level,
    grid,
    maps: new DistanceMaps(grid),
    judge: makeJudge(level.judging.rules, level.judging.tie),
    near: piecesNear(level, grid, gatherReach),
    gatherReach,
    largestEnemyRadius: [...level.motion.enemies, ...level.motion.spawners].reduce(
      (most, enemy) => Math.max(most, enemy.radius),
      0,
    ),
  };
}
