import type { AttemptState, View, World } from '../../../../play/attempt/index.ts';
import { cellAt } from '../../../../play/grid/index.ts';
import { isStandable, type LeapOwn } from '../../../../play/movement/index.ts';
import { FROM_FLOOR, inputAt } from './moves.ts';

/*
 * Where a player can stand, and how long it takes from each such place to every cell that a body passes on its ways: found
 * by running the body itself. Made once for each state of the gates, shared by all attempts.
 */

/** One way of the body: from a cell to stand in, through cells, to one to stand in. */
interface Arc {
  from: number;
  to: number;
  ticks: number;
  /** Cells passed, with the tick at which each is entered, in turn. */
  passed: number[];
}

export interface Graph {
  arcs: Arc[];
  /** Indices of the arcs that land in each cell. */
  landing: number[][];
  /** Indices of the arcs that pass each cell. */
  passing: number[][];
  /** Ticks to each goal from every cell with footing. */
  known: Map<number, Float64Array>;
}

/** No way is followed for longer. Ticks. */
const LONGEST = 110;
/** A walk counts as one way for so long. Ticks. */
const WALK_TICKS = 12;
const MOST_GOALS_KEPT = 400;

const graphs = new WeakMap<View, Graph>();

const body = { x: 0, y: 0, vx: 0, vy: 0, radius: 0, facing: 0, half: 0 };

/** All ways from one cell: from a stand, and at full speed to either side. */
function arcsFrom(world: World, view: View, own: LeapOwn, usual: LeapOwn, from: number, add: (arc: Arc) => void): void {
  const { grid } = view;
  const column = from % grid.width;
  const row = (from - column) / grid.width;
  for (const running of [false, true]) {
    for (const move of FROM_FLOOR) {
      if (running && (move.side === 0 || move.jumpTicks === 0)) continue;
      Object.assign(own, usual);
      own.onFloor = true;
      own.airTicks = 0;
      own.jumpsLeft = Math.floor(own.jumpsInAir);
      own.held = false;
      Object.assign(body, {
        x: column + 0.5,
        y: row + 1 - world.level.motion.player.radius - 1e-6,
        vx: running ? move.side * own.speed : 0,
        vy: 0,
        radius: world.level.motion.player.radius,
      });
      const passed: number[] = [from, 0];
      let last = from;
      let left = false;
      for (let tick = 0; tick < LONGEST; tick++) {
        world.kind.moveBody(world, view, body, own, inputAt(move, tick));
        if (own.fell) break;
        const cell = cellAt(grid, body.x, body.y);
        if (cell !== last) {
          passed.push(cell, tick + 1);
          last = cell;
        }
        if (!own.onFloor) left = true;
        const done = own.onFloor && (move.jumpTicks > 0 ? tick > 3 && left : left || tick >= WALK_TICKS);
        if (!done) continue;
        // A body that does not land reaches no place.
        if (isStandable(view, own, cell % grid.width, Math.floor(cell / grid.width)))
          add({ from, to: cell, ticks: tick + 1, passed });
        break;
      }
    }
  }
}

/** The graph of a ground as its gates are. */
export function graphOf({ world, view }: AttemptState): Graph {
  const before = graphs.get(view);
  if (before) return before;
  const { grid } = view;
  const cells = grid.walls.length;
  const graph: Graph = {
    arcs: [],
    landing: Array.from({ length: cells }, () => []),
    passing: Array.from({ length: cells }, () => []),
    known: new Map(),
  };
  const usual = world.kind.start(world, body) as LeapOwn;
  const own = { ...usual };
  const add = (arc: Arc): void => {
    const index = graph.arcs.push(arc) - 1;
    graph.landing[arc.to]?.push(index);
    for (let i = 0; i < arc.passed.length; i += 2) graph.passing[arc.passed[i] as number]?.push(index);
  };
  for (let cell = 0; cell < cells; cell++) {
    if (world.avoid[cell] === 1) continue;
    if (isStandable(view, usual, cell % grid.width, Math.floor(cell / grid.width)))
      arcsFrom(world, view, own, usual, cell, add);
  }
  graphs.set(view, graph);
  return graph;
}

/** Ticks from every cell that can be stood in until a goal cell is passed; endless where no way leads. Searched backwards from the goal. */
export function ticksTo(graph: Graph, goal: number): Float64Array {
  const before = graph.known.get(goal);
  if (before) return before;
  const ticks = new Float64Array(graph.landing.length).fill(Number.POSITIVE_INFINITY);
  // Whole ticks, none longer than a way: a bucket for each.
  const buckets: number[][] = [];
  const offer = (cell: number, at: number): void => {
    if (at >= (ticks[cell] as number)) return;
    ticks[cell] = at;
    (buckets[at] ??= []).push(cell);
  };
  for (const index of graph.passing[goal] ?? []) {
    const arc = graph.arcs[index] as Arc;
    for (let i = 0; i < arc.passed.length; i += 2)
      if (arc.passed[i] === goal) offer(arc.from, arc.passed[i + 1] as number);
  }
  for (let at = 0; at < buckets.length; at++) {
    const bucket = buckets[at];
    if (!bucket) continue;
    for (let i = 0; i < bucket.length; i++) {
      const cell = bucket[i] as number;
      if (ticks[cell] !== at) continue;
      for (const index of graph.landing[cell] ?? []) {
        const arc = graph.arcs[index] as Arc;
        offer(arc.from, at + arc.ticks);
      }
    }
  }
  if (graph.known.size >= MOST_GOALS_KEPT) graph.known.clear();
  graph.known.set(goal, ticks);
  return ticks;
}
