import { DistanceMaps, makeGrid, type Grid } from '../ground/index.ts';
import { makeJudge, type Judge } from '../rules/index.ts';
import type { PreparedLevel } from './prepare.ts';

/** What all attempts at one prepared level share; made once. */
export interface World {
  level: PreparedLevel;
  grid: Grid;
  maps: DistanceMaps;
  judge: Judge;
}

export function makeWorld(level: PreparedLevel): World {
  const grid = makeGrid(level.motion.rows);
  return { level, grid, maps: new DistanceMaps(grid), judge: makeJudge(level.judging.rules, level.judging.tie) };
}
