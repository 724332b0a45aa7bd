import {
  collectablesOf,
  enemiesOf,
  latchesOf,
  zonesOf,
  type AttemptState,
  type Collectable,
} from '../../../../play/attempt/index.ts';
import { cellAt } from '../../../../play/grid/index.ts';
import { isStandable, sideInput, type LeapOwn } from '../../../../play/movement/index.ts';
import { TICK_SECONDS } from '../../../../play/rules/index.ts';
import type { Player } from '../../driver.ts';
import { needsToOpenTheWay, pendingNeeds } from '../../goals/index.ts';
import { TICKS_BETWEEN_DECISIONS } from '../../player.ts';
import { beginFlight, BEATS, begins, copyFlight, flight, flyOn, HURT, landed, meetsMover, TOO_NEAR } from './flight.ts';
import { graphOf, ticksTo, type Graph } from './graph.ts';
import { lookAround } from './near.ts';
import { IN_AIR, ON_FLOOR, inputAt, WAIT, type Move } from './moves.ts';

/** Memory of a player on a leap ground between decisions. */
export interface LeapMemory {
  /** The cell that it heads for, -1 for none, and since when. */
  goal: number;
  goalTick: number;
  /** The move in progress from the next decision on, and its expected price. */
  move: Move;
  price: number;
  /** Pieces that lay there when the goal was chosen. */
  pieces: number;
}

export const startMemory = (): LeapMemory => ({
  goal: -1,
  goalTick: -1000,
  move: { ...WAIT },
  price: Number.NEGATIVE_INFINITY,
  pieces: 0,
});

/** A move continues while its price exceeds the expected one by no more than this. Ticks. */
const AS_THOUGHT = 5;

/** Longest time between two choices of a goal. Ticks. */
const TICKS_BETWEEN_GOALS = 30;
/** A move is looked at for so long at most. Ticks. */
const LONGEST = 110;
/** A walk or a wait is looked at for so long. Ticks. */
const WALK_TICKS = 14;
/** Share of its reaction by which a player misjudges when it takes off, as a deviation. */
const TIMING_ERROR_SHARE = 0.14;
/** Distance kept from moving things: at least, and per unit of caution. Units. */
const CLEARANCE = 0.05;
const CLEARANCE_PER_CAUTION = 0.15;
/** Prices, in ticks. */
const PRICE = {
  hurt: 100_000,
  trapped: 50_000,
  lost: 20_000,
  tooNear: 3_000,
  wait: 20,
  there: 5_000,
  beats: 8_000,
} as const;

/** Does the imagined body meet something in `ticks` ticks, or come nearer to it than it wants? */
function meets(state: AttemptState, ticks: number, clearance: number): number {
  const { world, view } = state;
  if (flight.fell) return HURT;
  if (world.hasAvoid && world.avoid[cellAt(view.grid, flight.x, flight.y)] === 1) return HURT;
  return meetsMover(ticks, clearance);
}

/** Moves after a landing: stand, go on, turn back, jump again. */
const AFTERWARDS: readonly Move[] = [
  { ...WAIT },
  { side: 1, sideTicks: 99, jumpTicks: 0 },
  { side: -1, sideTicks: 99, jumpTicks: 0 },
  { side: 1, sideTicks: 99, jumpTicks: 99 },
  { side: -1, sideTicks: 99, jumpTicks: 99 },
];
/** So long is looked on after coming down. Ticks. */
const AFTER_TICKS = 24;

/** Does the imagined body have a move in `ticks` ticks that does not hurt it at once? */
function canGoOn(state: AttemptState, ticks: number): boolean {
  copyFlight(flight, landed);
  for (const move of AFTERWARDS) {
    copyFlight(landed, flight);
    // A jump begins with a press.
    flight.held = false;
    let tick = 0;
    while (tick < AFTER_TICKS) {
      flyOn(inputAt(move, tick));
      tick++;
      if (meets(state, ticks + tick, 0) === HURT) break;
      if (tick === AFTER_TICKS) return true;
    }
  }
  return false;
}

/** Ticks from where the imagined body stands to its goal. */
function ticksFrom(state: AttemptState, distances: Float64Array): number {
  const { view } = state;
  const { grid } = view;
  return distances[footing(state, cellAt(grid, flight.x, flight.y))] as number;
}

/** The cell that a body stands in: the one beside where it stands with one foot. */
function footing({ view, own }: AttemptState, cell: number): number {
  const { grid } = view;
  if (isStandable(view, own as LeapOwn, cell % grid.width, Math.floor(cell / grid.width))) return cell;
  const beside = cell + (flight.x - Math.floor(flight.x) < 0.5 ? -1 : 1);
  return isStandable(view, own as LeapOwn, beside % grid.width, Math.floor(beside / grid.width)) ? beside : cell;
}

/** How long what a price is for takes, in ticks; much longer where it goes badly. */
const ticksOf = (price: number): number =>
  price < -PRICE.there ? price + PRICE.beats : price < 0 ? price + PRICE.there : price;

/** How a move goes: the lower, the better. The imagined body stands where it begins. */
function priceOf(
  player: Player,
  state: AttemptState,
  move: Move,
  goal: number,
  distances: Float64Array,
  clearance: number,
  least = Number.POSITIVE_INFINITY,
): number {
  const { view } = state;
  const from = player.reaction.ticks;
  let left = !flight.onFloor;
  let passed = -1;
  let risked = 0;
  for (let tick = 0; tick < LONGEST; tick++) {
    flyOn(inputAt(move, tick));
    const met = meets(state, from + tick + 1, clearance);
    if (met === HURT) return PRICE.hurt - tick * 10;
    if (met === TOO_NEAR && risked === 0) risked = PRICE.tooNear - tick * 10;
    if (met === BEATS) return player.needs.anythingToBeat ? tick - PRICE.beats : tick + 100;
    // Coming there is worth it only to who lands after it.
    if (goal >= 0 && passed < 0 && cellAt(view.grid, flight.x, flight.y) === goal) passed = tick;
    if (!flight.onFloor) left = true;
    const done = flight.onFloor && (left ? tick > 2 : tick >= WALK_TICKS);
    if (!done) continue;
    if (passed >= 0) return passed + risked - PRICE.there;
    const on = ticksFrom(state, distances);
    // Waiting is for those who have nothing better.
    const waits = move.side === 0 && move.jumpTicks === 0 ? PRICE.wait : 0;
    const price = tick + waits + risked + (on === Number.POSITIVE_INFINITY ? PRICE.lost : on);
    if (price >= least || canGoOn(state, from + tick + 1)) return price;
    return price + PRICE.trapped;
  }
  return PRICE.hurt / 2;
}

/** The cell of an area that is the fewest ticks away. */
function nearestOf(graph: Graph, cells: Iterable<number>, here: number): number {
  let best = -1;
  let least = Number.POSITIVE_INFINITY;
  for (const cell of cells) {
    const ticks = ticksTo(graph, cell)[here] as number;
    if (ticks >= least) continue;
    least = ticks;
    best = cell;
  }
  return best;
}

/** Limit of the cells of an area that are considered as goals. */
const MOST_CELLS = 60;

function* cellsOf(
  width: number,
  height: number,
  area: { x: number; y: number; width: number; height: number },
): Generator<number> {
  const [left, top] = [Math.max(0, Math.floor(area.x)), Math.max(0, Math.floor(area.y))];
  const right = Math.min(width, Math.ceil(area.x + area.width));
  const bottom = Math.min(height, Math.ceil(area.y + area.height));
  let given = 0;
  for (let y = bottom - 1; y >= top; y--)
    for (let x = left; x < right && given < MOST_CELLS; x++, given++) yield y * width + x;
}

/** Where the player heads for, as a cell to be passed. */
function chooseGoal(player: Player, state: AttemptState, graph: Graph, here: number): number {
  const { needs } = player;
  const { grid, level } = state.world;
  const { width, height } = grid;
  if (needs.anythingToBeat) {
    const any = needs.beat.length - 1;
    const cells = enemiesOf(state).all.flatMap((enemy) =>
      enemy.active && enemy.health > 0 && (needs.beat[any] || needs.beat[enemy.kind])
        ? [cellAt(grid, enemy.x, enemy.y)]
        : [],
    );
    const cell = nearestOf(graph, cells, here);
    if (cell >= 0) return cell;
  }
  if (needs.anythingToGather) {
    const { all, remaining, remainingCount } = collectablesOf(state);
    const any = needs.gather.length - 1;
    const cells = remaining.slice(0, remainingCount).flatMap((index) => {
      const piece = all[index] as Collectable;
      return needs.gather[any] || needs.gather[piece.kind] ? [cellAt(grid, piece.x, piece.y)] : [];
    });
    const cell = nearestOf(graph, cells, here);
    if (cell >= 0) return cell;
  }
  const latch = latchesOf(level)[needs.latch];
  if (latch) return cellAt(grid, latch.x, latch.y);
  const zones = zonesOf(level);
  const zone = needs.goal ? zones.find(({ goal }) => goal) : zones[needs.zone];
  if (zone) return nearestOf(graph, cellsOf(width, height, zone), here);
  if (needs.height >= 0) {
    const y = Math.max(0, Math.ceil(height - needs.height) - 1);
    return nearestOf(graph, cellsOf(width, height, { x: 0, y, width, height: 1 }), here);
  }
  return -1;
}

/** The standing place that counts for the player: below it while it is in the air. */
function standingCell(state: AttemptState): number {
  const { view } = state;
  const { grid } = view;
  const cell = footing(state, cellAt(grid, flight.x, flight.y));
  for (let below = cell; below < grid.walls.length; below += grid.width)
    if (isStandable(view, state.own as LeapOwn, below % grid.width, Math.floor(below / grid.width))) return below;
  return cell;
}

/** Returns the next input of a player of these abilities, an index into the actions of the kind of ground. */
export function chooseMove(player: Player, state: AttemptState, memory: LeapMemory): number {
  const { abilities, needs, stream } = player;
  const misjudged = stream.nextBell() * player.reaction.ticks * TICK_SECONDS * TIMING_ERROR_SHARE;
  pendingNeeds(state, needs);
  player.fires = needs.anythingToBeat && state.world.level.motion.player.shooting !== null;
  beginFlight(player, state);
  const clearance = CLEARANCE + abilities.cautionUnits * CLEARANCE_PER_CAUTION;
  lookAround(state, clearance);
  const graph = graphOf(state);
  // In the air a goal is kept: what is below says little of what is near.
  const { remainingCount } = collectablesOf(state);
  const isOld = state.tick - memory.goalTick >= TICKS_BETWEEN_GOALS || remainingCount !== memory.pieces;
  if (memory.goal < 0 || (flight.onFloor && isOld)) {
    const here = standingCell(state);
    memory.goal = chooseGoal(player, state, graph, here);
    if (memory.goal < 0 && state.observed.gates.length > 0) {
      needsToOpenTheWay(state, needs);
      memory.goal = chooseGoal(player, state, graph, here);
    }
    memory.goalTick = state.tick;
    memory.pieces = remainingCount;
  }
  const { goal } = memory;
  const distances = ticksTo(graph, goal);
  // A take-off at the wrong time means that the player believes itself elsewhere.
  flight.x += flight.vx * misjudged;
  copyFlight(flight, begins);
  const going = priceOf(player, state, memory.move, goal, distances, clearance);
  copyFlight(begins, flight);
  // A move that goes as expected continues.
  if (going < PRICE.lost && going <= memory.price + AS_THOUGHT) return goOn(memory, memory.move, going);
  // The search ends at a way that cannot be faster. Waiting is tried last.
  const here = flight.onFloor ? footing(state, cellAt(state.view.grid, flight.x, flight.y)) : -1;
  const quick = here < 0 ? memory.price : (distances[here] as number);
  const moves = flight.onFloor ? ON_FLOOR : IN_AIR;
  let best: Move = WAIT;
  let least = Number.POSITIVE_INFINITY;
  for (let i = 0; i < moves.length && ticksOf(least) > quick; i++) {
    copyFlight(begins, flight);
    const move = moves[i] as Move;
    const price = priceOf(player, state, move, goal, distances, clearance, least);
    if (price >= least) continue;
    least = price;
    best = move;
  }
  copyFlight(begins, flight);
  // A jump begins with a press: who still holds lets go first.
  if (flight.onFloor && flight.held && best.jumpTicks > 0) {
    memory.price = Number.NEGATIVE_INFINITY;
    return sideInput(best.side, false);
  }
  return goOn(memory, best, least);
}

/** Notes what is left of a move after this decision. Returns its input. */
function goOn(memory: LeapMemory, move: Move, price: number): number {
  const input = inputAt(move, 0);
  memory.move.side = move.side;
  memory.move.sideTicks = Math.max(0, move.sideTicks - TICKS_BETWEEN_DECISIONS);
  memory.move.jumpTicks = Math.max(0, move.jumpTicks - TICKS_BETWEEN_DECISIONS);
  memory.price = price - TICKS_BETWEEN_DECISIONS;
  return input;
}

/** Half a second of the same: does it hurt? */
const LOOKED_AT_TICKS = 30;

/** Is a player who goes on doing this about to be hurt? */
export function willBeHurt(player: Player, state: AttemptState, input: number): boolean {
  beginFlight(player, state);
  lookAround(state, 0);
  for (let tick = 0; tick < LOOKED_AT_TICKS; tick++) {
    flyOn(input);
    if (meets(state, player.reaction.ticks + tick, 0) === HURT) return true;
  }
  return false;
}
