import type { AttemptState, Enemy, View } from '../../../../play/attempt/index.ts';
import { cellAt, nextCellTowards, UNREACHABLE, wayIsClear, type Grid } from '../../../../play/grid/index.ts';
import { isHeld, sideInput, sideOf, type Side } from '../../../../play/movement/index.ts';
import { TICK_SECONDS } from '../../../../play/rules/index.ts';
import type { Player } from '../../driver.ts';
import { pendingNeeds } from '../../goals/index.ts';
import { TICKS_BETWEEN_DECISIONS } from '../../player.ts';
import { isInShot, nearestToBeat, openGoalOf } from '../aims.ts';
import {
  beginFlight,
  copyFlight,
  FAR_OFF,
  flight,
  flyOn,
  HURT,
  LONGEST_TICKS,
  meetsMover,
  nearness,
  numbers,
  TOO_NEAR,
  type Flight,
} from './flight.ts';

/** Memory of a player on a lift ground between decisions. */
export interface LiftMemory {
  /** Does touching a wall cost anything? */
  wallsHurt: boolean;
  /** The nearest that it has come to its goal, and when. */
  goal: number;
  nearest: number;
  nearestTick: number;
  /** How high it has to be, units, -1 for any. */
  height: number;
  /** Up to this tick it leaves all to the steady hand: it has seen that this goes well. */
  sureUntil: number;
}

/** Without coming nearer for so long a player takes more risks, and then all. Ticks. */
const IMPATIENT_TICKS = 240;
const DESPERATE_TICKS = 480;
const IMPATIENT_SHARE = 0.3;
/** Distance by which a player who has waited too long accepts a touch. Units. */
const TAKES_A_TOUCH = 10;

export const startMemory = ({ world }: AttemptState): LiftMemory => ({
  wallsHurt: world.judge.nodes.some((node) => 'name' in node && node.name === 'touchingWall'),
  goal: -1,
  nearest: Number.POSITIVE_INFINITY,
  nearestTick: 0,
  height: -1,
  sureUntil: -1,
});

/** A plan: for how many ticks it is held or let go, whatever comes, before the steady hand, and to which side it is steered, if not to the aim. */
type Plan = readonly [held: boolean, ticks: number, side?: Side];

const PLANS: readonly Plan[] = [
  [false, 0],
  [true, 6],
  [false, 6],
  [true, 14],
  [false, 14],
  [true, 26],
  [false, 26],
  [true, 44],
  [false, 44],
];
/** One more for who is where it has to be, and would stay there. */
const HOLDING_PLANS: readonly Plan[] = [...PLANS, [true, 90]];
/** More for who can steer out of the way. */
const ASIDE: readonly Plan[] = [
  [true, 26, -1],
  [true, 26, 1],
  [false, 26, -1],
  [false, 26, 1],
];
const STEERED_PLANS: readonly Plan[] = [...PLANS, ...ASIDE];
const STEERED_HOLDING_PLANS: readonly Plan[] = [...HOLDING_PLANS, ...ASIDE];
const plansOf = (holds: boolean, steers: boolean): readonly Plan[] =>
  steers ? (holds ? STEERED_HOLDING_PLANS : STEERED_PLANS) : holds ? HOLDING_PLANS : PLANS;
/** Horizon of a flight as a multiple of the foresight. */
const FORESIGHT_FACTOR = 1.6;
const SHORTEST_TICKS = 36;
/** The steady hand: held while the body sinks faster than this times what it still has to rise. Per second. */
const STEADY = 3;
/** How far along its way a player looks for what it steers to. Cells. */
const LOOK_AHEAD_CELLS = 4;
/** Distance over which a player who is carried forward looks for a gap, and the share of free cells below which a column is a gap. Cells. */
const GAP_AHEAD_CELLS = 16;
const GAP_SHARE = 0.75;
/** So much room is kept to what is flown past. Units. */
const STEERING_RADIUS = 0.45;
/** Time between two looks of the steady hand. Ticks. */
const TICKS_BETWEEN_LOOKS = 3;
/** Degrees of aim error that miss a place by one unit. */
const DEGREES_PER_UNIT = 25;
/** Nearer to the wanted column than this nobody steers. Units. */
const IN_LINE = 0.15;
const STEERED_SECONDS = 0.05;
/** Time for which no further look is needed where all moving things are far off. Ticks. */
const SURE_TICKS = 2 * TICKS_BETWEEN_DECISIONS;
/** Distance kept from moving things: at least, and per unit of caution. Units. */
const CLEARANCE = 0.06;
const CLEARANCE_PER_CAUTION = 0.2;
/** Prices, in fifths of a unit of way. */
const PRICE = { hurt: 6000, leaves: 2500, tooNear: 2000, safe: 1500, there: 900, sooner: 20, near: 40 } as const;
/** A player that must rise goes so much higher than asked. Units. */
const HEIGHT_MARGIN = 0.3;

/** Scratch of the decision at hand. */
const aim = { x: 0, y: 0 };

/** The cell that is steered to from each cell, plus 1, by distance map; 0 where it is not computed yet. */
const steered = new WeakMap<Int32Array, Int32Array>();
const standing = { x: 0, y: 0, radius: STEERING_RADIUS };

/** The furthest of the next cells along the way that can be flown to in a straight line. */
function steeredTo(grid: Grid, distances: Int32Array, from: number): number {
  let known = steered.get(distances);
  if (!known) {
    known = new Int32Array(distances.length);
    steered.set(distances, known);
  }
  const before = known[from] as number;
  if (before > 0) return before - 1;
  const middle = (cell: number): { x: number; y: number } => ({
    x: (cell % grid.width) + 0.5,
    y: Math.floor(cell / grid.width) + 0.5,
  });
  Object.assign(standing, middle(from));
  let best = nextCellTowards(grid, distances, from);
  let cell = best;
  for (let i = 1; i < LOOK_AHEAD_CELLS; i++) {
    cell = nextCellTowards(grid, distances, cell);
    if (!wayIsClear(grid, standing, middle(cell))) break;
    best = cell;
  }
  known[from] = best + 1;
  return best;
}

/** Twice the height of the middle of the next gap from each cell, plus 1, by distance map; 0 where it is not computed yet. */
const gaps = new WeakMap<Int32Array, Int32Array>();

/** Twice where the free cells above and below a cell have their middle, or -1 where there is room enough. */
function middleOfGap(grid: Grid, cell: number): number {
  const { width, height, walls } = grid;
  const isFree = (at: number): boolean => at >= 0 && at < walls.length && walls[at] !== 1;
  if (!isFree(cell)) return -1;
  let top = Math.floor(cell / width);
  let bottom = top;
  while (isFree((top - 1) * width + (cell % width))) top--;
  while (isFree((bottom + 1) * width + (cell % width))) bottom++;
  return bottom - top + 1 < height * GAP_SHARE ? top + bottom + 1 : -1;
}

/** Twice the height at which one who is carried forward should be: in the middle of the next gap, else as its way leads. */
function heightAhead(grid: Grid, distances: Int32Array, from: number): number {
  let known = gaps.get(distances);
  if (!known) {
    known = new Int32Array(distances.length);
    gaps.set(distances, known);
  }
  const before = known[from] as number;
  if (before > 0) return before - 1;
  // The gap just passed counts until all of the body is through.
  let found = from % grid.width > 0 ? middleOfGap(grid, from - 1) : -1;
  let cell = from;
  for (let i = 0; i < GAP_AHEAD_CELLS && found < 0; i++) {
    found = middleOfGap(grid, cell);
    cell = nextCellTowards(grid, distances, cell);
  }
  if (found < 0) found = 2 * Math.floor(cell / grid.width) + 1;
  known[from] = found + 1;
  return found;
}

/** Sets the point that the imagined body steers to. */
function lookAhead(state: AttemptState, distances: Int32Array, missed: number): void {
  const { grid } = state.view;
  const from = cellAt(grid, flight.x, flight.y);
  if (numbers.forward > 0 && distances[from] !== UNREACHABLE) {
    aim.x = flight.x;
    aim.y = heightAhead(grid, distances, from) / 2 + missed;
    return;
  }
  const cell = steeredTo(grid, distances, from);
  const column = cell % grid.width;
  aim.x = column + 0.5;
  aim.y = (cell - column) / grid.width + 0.5 + missed;
}

/** The input of the steady hand. */
function steady(): number {
  const off = aim.x - flight.x;
  // The next decision must not steer back what this one steers.
  const inLine = Math.max(IN_LINE, numbers.steer * STEERED_SECONDS);
  const side = off > inLine ? 1 : off < -inLine ? -1 : 0;
  return sideInput(side, flight.vy > STEADY * (aim.y - flight.y));
}

/** Returns the input of a plan at one of its ticks. */
function inputOf([held, ticks, side]: Plan, tick: number): number {
  const input = steady();
  return tick < ticks ? sideInput(side ?? sideOf(input), held) : input;
}

/** Does the imagined body meet something harmful in `ticks` ticks, or come nearer to it than it wants? */
function meets(state: AttemptState, memory: LiftMemory, ticks: number, clearance: number): number {
  const { world } = state;
  const { grid } = state.view;
  if (memory.wallsHurt && flight.stopped) return HURT;
  if (world.hasAvoid && world.avoid[cellAt(grid, flight.x, flight.y)] === 1) return HURT;
  return meetsMover(ticks, clearance);
}

/** Scratch: the enemy that is flown to so that it can be shot. */
let quarry: Enemy | undefined;

/** Is the imagined body where it can shoot what it flies to? Flying on would end in it. */
function isInShotThere(state: AttemptState): boolean {
  if (!quarry) return false;
  const dx = quarry.x - flight.x;
  const dy = quarry.y - flight.y;
  return isInShot(state, flight, quarry, Math.sqrt(dx * dx + dy * dy));
}

/** Is any place as good as another? */
const isFree = ({ goal, height }: LiftMemory): boolean => goal < 0 && height < 0;

/** Is the imagined body where it has to be? */
function isThere(memory: LiftMemory, { grid }: View, distances: Int32Array): boolean {
  if (isFree(memory)) return false;
  if (memory.height >= 0) return grid.height - flight.y >= memory.height;
  return distances[cellAt(grid, flight.x, flight.y)] === 0;
}

/** How well a plan goes; the lower, the better. The imagined body stands where the plan begins. @param least lowest price until now: a plan that cannot be below it is not followed further */
function priceOf(
  state: AttemptState,
  memory: LiftMemory,
  plan: Plan,
  from: number,
  horizon: number,
  distances: Int32Array,
  missed: number,
  clearance: number,
  least: number,
): number {
  const { view } = state;
  const { grid } = view;
  // A body that has arrived must stay, so the plan is followed to its end.
  const holding = isThere(memory, view, distances);
  const free = isFree(memory);
  let nearest = Number.POSITIVE_INFINITY;
  let risked = 0;
  let left = 0;
  let arrived = -1;
  for (let tick = 0; tick < horizon; tick++) {
    if (tick % TICKS_BETWEEN_LOOKS === 0 && arrived < 0) {
      lookAhead(state, distances, missed);
      // It stays where it can shoot.
      if (isInShotThere(state)) {
        arrived = tick;
        aim.x = flight.x;
        aim.y = flight.y;
      }
    }
    flyOn(inputOf(plan, tick));
    const met = meets(state, memory, from + tick + 1, clearance);
    if (met === HURT) return PRICE.hurt - tick * PRICE.sooner + plan[1];
    // The later it comes too near, the better: much can happen until then.
    if (met === TOO_NEAR && risked === 0) risked = PRICE.tooNear - tick * PRICE.sooner * 0.1;
    if (holding && left === 0 && !isThere(memory, view, distances)) left = PRICE.leaves - tick;
    // Whatever comes, it is no cheaper than this.
    if (risked + left - PRICE.there >= least) return risked + left;
    if (free || arrived >= 0) continue;
    const way = distances[cellAt(grid, flight.x, flight.y)] as number;
    if (way !== UNREACHABLE && way < nearest) {
      nearest = way;
      if (way === 0 && !holding) return risked + tick - PRICE.there;
    }
  }
  if (arrived >= 0) return risked + arrived - PRICE.there;
  if (free) return risked + plan[1] * 0.01;
  const last = distances[cellAt(grid, flight.x, flight.y)] as number;
  // How near it ends counts, and what it has come near to on the way; shorter plans first.
  const way = (last === UNREACHABLE ? PRICE.near : last) + nearest * 0.2;
  return risked + left + way + Math.abs(aim.y - flight.y) + plan[1] * 0.01;
}

/** The body where what is decided takes effect. */
const begins: Flight = { ...flight };

/** Returns the next input of a player of these abilities, an index into the actions of the kind of ground. */
export function choosePlan(player: Player, state: AttemptState, memory: LiftMemory): number {
  const { abilities, needs } = player;
  const { world, view } = state;
  const { grid, maps } = view;
  pendingNeeds(state, needs);
  memory.height = needs.height;
  if (needs.height >= 0) needs.height = Math.min(grid.height - 0.5, needs.height + HEIGHT_MARGIN);
  player.fires = needs.anythingToBeat && world.level.motion.player.shooting !== null;
  const caution = CLEARANCE + abilities.cautionUnits * CLEARANCE_PER_CAUTION;
  beginFlight(player, state, caution);
  const from = player.reaction.ticks;
  // The first press lets everything begin.
  if (!flight.begun) return sideInput(0, true);
  const here = cellAt(grid, flight.x, flight.y);
  const goal = openGoalOf(player, state, here);
  quarry = player.fires && goal >= 0 ? nearestToBeat(player, state, state.body) : undefined;
  const distances = maps.to(goal < 0 ? here : goal);
  const missed = (player.drift * abilities.aimErrorDegrees) / DEGREES_PER_UNIT;
  const isNew = goal !== memory.goal;
  memory.goal = goal;
  // A player who has arrived is not impatient.
  const isAtRest = isFree(memory) || isThere(memory, view, distances);
  if (isNew || isAtRest || (distances[here] as number) < memory.nearest) {
    memory.nearest = distances[here] as number;
    memory.nearestTick = state.tick;
  }
  const waited = state.tick - memory.nearestTick;
  const risk = waited > DESPERATE_TICKS ? 0 : waited > IMPATIENT_TICKS ? IMPATIENT_SHARE : 1;
  const clearance = caution * risk - (risk === 0 ? TAKES_A_TOUCH : 0);
  const horizon = Math.min(
    LONGEST_TICKS,
    Math.max(SHORTEST_TICKS, Math.round((abilities.foresightSeconds * FORESIGHT_FACTOR) / TICK_SECONDS)),
  );
  copyFlight(flight, begins);
  let best = 0;
  let least = Number.POSITIVE_INFINITY;
  const plans = plansOf(isThere(memory, view, distances), numbers.steer > 0);
  const isSure = state.tick < memory.sureUntil;
  nearness.closest = Number.POSITIVE_INFINITY;
  for (let i = 0; i < plans.length && !isSure; i++) {
    copyFlight(begins, flight);
    const price = priceOf(state, memory, plans[i] as Plan, from, horizon, distances, missed, clearance, least);
    if (price < least) {
      least = price;
      best = i;
    }
    // Where the steady hand alone is safe, nobody looks for anything else.
    if (i > 0 || price >= PRICE.safe) continue;
    if (nearness.closest > FAR_OFF * FAR_OFF) memory.sureUntil = state.tick + SURE_TICKS;
    break;
  }
  copyFlight(begins, flight);
  lookAhead(state, distances, missed);
  // Until the next decision: what the plan does for most of that time.
  let holds = 0;
  const plan = plans[best] as Plan;
  let side: Side = 0;
  for (let tick = 0; tick < TICKS_BETWEEN_DECISIONS; tick++) {
    const input = inputOf(plan, tick);
    if (tick === 0) side = sideOf(input);
    if (isHeld(input)) holds++;
    flyOn(input);
  }
  return sideInput(side, holds * 2 >= TICKS_BETWEEN_DECISIONS);
}

/** Half a second of the same: does it hurt? */
const LOOKED_AT_TICKS = 30;

/** Is a player who goes on doing this about to be hurt? */
export function willBeHurt(player: Player, state: AttemptState, memory: LiftMemory, input: number): boolean {
  beginFlight(player, state, 0);
  const from = player.reaction.ticks;
  for (let tick = 0; tick < LOOKED_AT_TICKS; tick++) {
    flyOn(input);
    if (meets(state, memory, from + tick, 0) === HURT) return true;
  }
  return false;
}
