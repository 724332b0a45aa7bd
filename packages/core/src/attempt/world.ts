import { cellsIn, DistanceMaps, holesIn, makeGrid, withWalls, type Grid } from '../ground/index.ts';
import { makeJudge, READINGS, type Judge, type ScoreTerm } from '../rules/index.ts';
import type { PreparedLevel } from './prepare.ts';

/** The ground as it is in one state of its gates. */
export interface View {
  /** Walls and closed gates. */
  grid: Grid;
  /** Ways over it that go round what hurts. */
  maps: DistanceMaps;
  /** What hurts counts as wall here too: for steering clear of it. */
  wary: Grid;
}

/** What all attempts at one prepared level share; made once. */
export interface World {
  level: PreparedLevel;
  /** Without any gates. */
  grid: Grid;
  judge: Judge;
  scoreTerms: ScoreTerm[];
  /** 1 for each cell without ground. */
  holes: Uint8Array;
  /** 1 for each cell that hurts or has no ground. */
  avoid: Uint8Array;
  hasAvoid: boolean;
  /** By gate: its cells. */
  gateCells: number[][];
  /** By state of the gates, a bit for each open one; made when first met and kept. */
  views: Map<number, View>;
  /** By cell: the collectables that can be reached from somewhere in it; undefined for none. */
  near: (number[] | undefined)[];
  /** Distance at which the player gathers a piece, units. */
  gatherReach: number;
  largestEnemyRadius: number;
}

/** How near a player's edge must come to the middle of a piece to gather or touch it. Units. */
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
  const { motion, judging } = level;
  const grid = makeGrid(motion.rows);
  const gatherReach = motion.player.radius + REACH;
  const holes = new Uint8Array(grid.walls.length);
  for (const cell of holesIn(motion.rows)) holes[cell] = 1;
  const avoid = new Uint8Array(holes);
  for (const hazard of motion.hazards) for (const cell of cellsIn(grid, hazard)) avoid[cell] = 1;
  return {
    level,
    grid,
    judge: makeJudge(judging.rules, judging.tie, { stars: judging.stars, clockStart: judging.clockStart }),
    scoreTerms: judging.score.map(({ reading, subject, times }) => ({ reading: READINGS[reading], subject, times })),
    holes,
    avoid,
    hasAvoid: avoid.includes(1),
    gateCells: motion.gates.map((gate) => cellsIn(grid, gate)),
    views: new Map(),
    near: piecesNear(level, grid, gatherReach),
    gatherReach,
    largestEnemyRadius: [...motion.enemies, ...motion.spawners].reduce(
      (most, enemy) => Math.max(most, enemy.radius),
      0,
    ),
  };
}

/** The ground with the gates as they are. @param open 1 for open, by gate */
export function viewOf(world: World, open: readonly number[]): View {
  let state = 0;
  for (let i = 0; i < open.length; i++) state = state * 2 + (open[i] as number);
  const known = world.views.get(state);
  if (known) return known;
  const closed = world.gateCells.flatMap((cells, gate) => (open[gate] === 1 ? [] : cells));
  const grid = withWalls(world.grid, closed);
  const avoided: number[] = [];
  for (let cell = 0; cell < world.avoid.length; cell++) if (world.avoid[cell] === 1) avoided.push(cell);
  const view: View = world.hasAvoid
    ? { grid, maps: new DistanceMaps(grid, world.avoid), wary: withWalls(grid, avoided) }
    : { grid, maps: new DistanceMaps(grid), wary: grid };
  world.views.set(state, view);
  return view;
}
