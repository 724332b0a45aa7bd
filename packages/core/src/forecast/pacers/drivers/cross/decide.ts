import { FIRE, lanesOf, REST, type AttemptState, type PreparedLane } from '../../../../play/attempt/index.ts';
import { cellAt, isWall, UNREACHABLE } from '../../../../play/grid/index.ts';
import { STEPS, type CrossOwn } from '../../../../play/movement/index.ts';
import type { Player } from '../../driver.ts';
import { plannedFor } from '../../faults/reaction.ts';
import { pendingNeeds } from '../../goals/index.ts';
import { TICKS_BETWEEN_DECISIONS } from '../../player.ts';
import { openGoalOf } from '../aims.ts';
import { driftOf, isHit, laneMapOf, raftUnder, secondsOf, seeTraffic, type LaneMap } from './traffic.ts';

/** Memory of a player on a cross ground between decisions. */
export interface CrossMemory {
  lanes: LaneMap;
  /** The cell in which it is, and since when. */
  cell: number;
  sinceTick: number;
}

export const startMemory = (state: AttemptState): CrossMemory => ({ lanes: laneMapOf(state), cell: -1, sinceTick: 0 });

/** Horizon of a way as a multiple of the foresight: crossing is planned further ahead than dodging. */
const FORESIGHT_FACTOR = 2.5;
const FEWEST_STEPS = 3;
const MOST_STEPS = 14;
/** Share of its reaction by which a player misjudges times, as a deviation. */
const TIMING_ERROR_SHARE = 0.18;
/** In one cell for so long a player takes more risks, and then all. Ticks. */
const IMPATIENT_TICKS = 240;
const DESPERATE_TICKS = 600;
const IMPATIENT_SHARE = 0.4;
/** Shares of a step: from when the player may be hit in the next cell, and until when in the last one. */
const ARRIVES_SHARE = 0.2;
const LEAVES_SHARE = 0.7;
/** Prices, in cells of way. */
const PRICE = { step: 0.06, wait: 0.04, hurt: 8 } as const;
const FIFTHS_PER_CELL = 5;
/** Ways that lead so much further from the goal than the best are not followed. Cells. */
const MOST_DETOUR = 4;

/** Scratch of the decision at hand: the places that can be reached after each step, those of a step in a row. */
const MOST_PLACES = 1024;
const xs = new Float64Array(MOST_PLACES * 2);
const ys = new Float64Array(MOST_PLACES * 2);
const prices = new Float64Array(MOST_PLACES * 2);
const firsts = new Uint8Array(MOST_PLACES * 2);
/** The place of each cell after the present step. */
let placeOf = new Int32Array(0);
/** The step for which each cell was checked for a hit, and the answer. */
let asked = new Float64Array(0);
let hit = new Uint8Array(0);
let asking = 0;
const own: CrossOwn = { stepTicks: 1, restTicks: 0, left: 0, resting: 0, toX: 0, toY: 0, gone: 0, wasInGoal: false };
const body = { x: 0, y: 0, vx: 0, vy: 0, radius: 0, facing: 0, half: 0 };

/** When the step under way at that time ends, or the last one before it did; -1 for none. Ticks from now. */
let landing = -1;

/** Sets the scratch body to the player's place when it can act, by its earlier decisions. Returns the number of ticks until then. */
function imagineUntilFree({ reaction }: Player, state: AttemptState): number {
  const { world, view } = state;
  Object.assign(body, state.body);
  world.kind.copy(state.own, own);
  let ticks = 0;
  landing = own.left > 0 ? own.left : -1;
  for (; ticks < reaction.ticks; ticks++) {
    world.kind.moveBody(world, view, body, own, plannedFor(reaction, state.tick + ticks) % FIRE);
    if (own.left > 0) landing = ticks + 1 + own.left;
  }
  if (own.left > 0) {
    ticks += own.left;
    body.x = own.toX;
    body.y = own.toY;
    return ticks + own.restTicks;
  }
  return ticks + own.resting;
}

/** Returns the next input of a player of these abilities, an index into the actions of the kind of ground. */
export function chooseStep(player: Player, state: AttemptState, memory: CrossMemory): number {
  const { abilities, needs, stream } = player;
  const { world, view } = state;
  const { grid, maps } = view;
  const misjudged = stream.nextBell() * secondsOf(player.reaction.ticks) * TIMING_ERROR_SHARE;
  pendingNeeds(state, needs);
  player.fires = needs.anythingToBeat && world.level.motion.player.shooting !== null;
  const standing = cellAt(grid, state.body.x, state.body.y);
  if (standing !== memory.cell) {
    memory.cell = standing;
    memory.sinceTick = state.tick;
  }
  const still = state.tick - memory.sinceTick;
  const risk = still > DESPERATE_TICKS ? 0 : still > IMPATIENT_TICKS ? IMPATIENT_SHARE : 1;
  const freeInTicks = imagineUntilFree(player, state);
  // Decided again before it matters.
  if (freeInTicks > player.reaction.ticks + TICKS_BETWEEN_DECISIONS) return REST;
  const freeIn = secondsOf(freeInTicks);
  const stepSeconds = secondsOf(own.stepTicks);
  const cycle = secondsOf(own.stepTicks + own.restTicks);
  const steps = Math.min(
    MOST_STEPS,
    Math.max(FEWEST_STEPS, Math.ceil((abilities.foresightSeconds * FORESIGHT_FACTOR) / cycle)),
  );
  seeTraffic(memory.lanes, state, misjudged, abilities.cautionUnits * risk, freeIn + (steps + 1) * cycle);
  // A player who is carried, or lands on a carrier, moves with it until then.
  const landsIn = landing >= 0 ? secondsOf(landing) : 0;
  const raft = raftUnder(memory.lanes, state, body.x, body.y, landsIn);
  if (raft >= 0) drift(state, raft, freeIn - landsIn, body);
  const from = cellAt(grid, body.x, body.y);
  const goal = openGoalOf(player, state, from);
  return search(memory.lanes, state, maps.to(goal < 0 ? from : goal), freeIn, stepSeconds, cycle, steps);
}

/** Moves a place along with a raft. */
function drift(state: AttemptState, raft: number, seconds: number, place: { x: number; y: number }): void {
  const way = driftOf(state, raft, seconds);
  if ((lanesOf(state.world.level)[raft] as PreparedLane).alongRow) place.x += way;
  else place.y += way;
}

const landed = { x: 0, y: 0 };

/** Looks for the best way through cells and time. @param distances to the goal, by cell @returns the first input of it */
function search(
  lanes: LaneMap,
  state: AttemptState,
  distances: Int32Array,
  freeIn: number,
  stepSeconds: number,
  cycle: number,
  steps: number,
): number {
  const { world, view } = state;
  const { grid } = view;
  const { width, height } = grid;
  if (placeOf.length < width * height) {
    placeOf = new Int32Array(width * height);
    asked = new Float64Array(width * height);
    hit = new Uint8Array(width * height);
  }
  let base = 0;
  let count = 1;
  xs[0] = body.x;
  ys[0] = body.y;
  prices[0] = 0;
  firsts[0] = REST;
  let best = REST;
  let least = Number.POSITIVE_INFINITY;
  for (let k = 0; k < steps && count > 0; k++) {
    const next = base === 0 ? MOST_PLACES : 0;
    const now = freeIn + k * cycle;
    const then = now + cycle;
    placeOf.fill(-1);
    asking++;
    let reached = 0;
    // A player who gets no further is caught in the end: the later, the better.
    const before = k === 0 ? Number.POSITIVE_INFINITY : least;
    least = Number.POSITIVE_INFINITY;
    for (let i = base; i < base + count; i++) {
      const x = xs[i] as number;
      const y = ys[i] as number;
      // A player who cannot leave in time cannot stay either.
      if (isHit(lanes, state, x, y, now, now + stepSeconds * LEAVES_SHARE)) continue;
      for (let input = 0; input < STEPS.length; input++) {
        const [dx, dy] = STEPS[input] as readonly [number, number];
        const column = Math.floor(x) + dx;
        const row = Math.floor(y) + dy;
        if (isWall(grid, column, row)) continue;
        if (input === REST) {
          landed.x = x;
          landed.y = y;
          if (isHit(lanes, state, x, y, now, then)) continue;
        } else {
          landed.x = column + 0.5;
          landed.y = row + 0.5;
          const entered = row * width + column;
          if (asked[entered] !== asking) {
            asked[entered] = asking;
            hit[entered] = isHit(lanes, state, landed.x, landed.y, now + stepSeconds * ARRIVES_SHARE, then) ? 1 : 0;
          }
          if (hit[entered] === 1) continue;
        }
        let price = (prices[i] as number) + (input === REST ? PRICE.wait : PRICE.step);
        const lands = input === REST ? now : now + stepSeconds;
        const raft = raftUnder(lanes, state, landed.x, landed.y, lands);
        if (raft >= 0) {
          drift(state, raft, then - lands, landed);
          if (isWall(grid, Math.floor(landed.x), Math.floor(landed.y))) continue;
        }
        const cell = Math.floor(landed.y) * width + Math.floor(landed.x);
        if (raft < 0 && world.avoid[cell] === 1) {
          // Without ground nobody stands; what only hurts has its price.
          if (world.holes[cell] === 1) continue;
          price += PRICE.hurt;
        }
        const first = k === 0 ? input : (firsts[i] as number);
        const distance = distances[cell] as number;
        const way = distance === UNREACHABLE ? width * height : distance / FIFTHS_PER_CELL;
        // Whoever is there need go no further.
        if (distance === 0) return first;
        const worth = price + way;
        if (worth < least) {
          least = worth;
          best = first;
        }
        if (worth > before + MOST_DETOUR) continue;
        const known = placeOf[cell] as number;
        if (known >= 0 && (prices[known] as number) <= price) continue;
        if (known < 0 && reached >= MOST_PLACES) continue;
        const place = known >= 0 ? known : next + reached++;
        placeOf[cell] = place;
        xs[place] = landed.x;
        ys[place] = landed.y;
        prices[place] = price;
        firsts[place] = first;
      }
    }
    base = next;
    count = reached;
  }
  return best;
}
