import { holesIn, makeGrid } from '../grid/index.ts';
import { makeJudge, READINGS } from '../rules/index.ts';
import type { PreparedLevel } from './level.ts';
import { bySort, SORTS } from './pieces/index.ts';
import { REACH } from './touching.ts';
import type { GroundKind, World } from './types.ts';

/** Makes a prepared level ready for any number of attempts. @param kind of the level's ground */
export function makeWorldOn(kind: GroundKind, level: PreparedLevel): World {
  const { motion, judging } = level;
  const grid = makeGrid(motion.rows);
  const holes = new Uint8Array(grid.walls.length);
  for (const cell of holesIn(motion.rows)) holes[cell] = 1;
  const avoid = new Uint8Array(holes);
  const barriers: number[][] = [];
  for (const sort of SORTS) {
    for (const piece of motion.pieces[sort.name]) {
      for (const cell of sort.avoids?.(piece, grid) ?? []) avoid[cell] = 1;
      if (sort.bars) barriers.push(sort.bars(piece, grid));
    }
  }
  const world: World = {
    level,
    kind,
    grid,
    judge: makeJudge(judging.rules, judging.tie, { stars: judging.stars, clockStart: judging.clockStart }),
    scoreTerms: judging.score.map(({ reading, subject, times }) => ({ reading: READINGS[reading], subject, times })),
    holes,
    avoid,
    hasAvoid: avoid.includes(1),
    barriers,
    views: new Map(),
    ready: bySort(() => undefined),
    gatherReach: motion.player.radius + REACH,
    half: kind.halfOf?.(level) ?? 0,
  };
  for (const sort of SORTS) world.ready[sort.name] = sort.ready?.(motion.pieces[sort.name], world);
  return world;
}
