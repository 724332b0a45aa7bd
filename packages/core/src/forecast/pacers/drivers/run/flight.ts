import {
  beyond,
  collectablesOf,
  enemiesOf,
  hazardsOf,
  type Area,
  type AttemptState,
  type Collectable,
} from '../../../../play/attempt/index.ts';
import { BELOW_TOUCH, limitedStep, WALL_GAP, type Grid } from '../../../../play/grid/index.ts';
import {
  copyLeaping,
  hasFloorBelow,
  hasRoomToStand,
  JUMP,
  LONG_AIR,
  loweredHalf,
  SLIDE,
  standingHalf,
  type Leaping,
  type RunOwn,
} from '../../../../play/movement/index.ts';
import { secondsToTicks, TICK_SECONDS } from '../../../../play/rules/index.ts';
import type { Needs } from '../../goals/index.ts';
import type { Plan } from './plan.ts';
import { isKnownWay, lastsOnWay, noteWay, reachedOnWay } from './ways.ts';

/**
 * The body of a run as a player imagines it. A decision imagines thousands of ticks, so that one function holds body, walls
 * and everything near in local variables. It moves a body as `run.moveBody` does, bit for bit: a property test compares both.
 */

/** The changing state of a flight. Units, units per second, ticks. */
export interface Flight extends Leaping {
  x: number;
  y: number;
  vy: number;
  halfTall: number;
  low: boolean;
  blocked: boolean;
}

export const flightAtRest = (): Flight => ({
  ...{ x: 0, y: 0, vy: 0, halfTall: 0, airTicks: 0, pressTicks: 0, jumpsLeft: 0 },
  ...{ onFloor: false, held: false, rising: false, fell: false, low: false, blocked: false },
});

/** Makes one flight another. It is called for each plan, so that it copies member by member. */
export function copyFlight(from: Flight, to: Flight): void {
  to.x = from.x;
  to.y = from.y;
  to.vy = from.vy;
  to.halfTall = from.halfTall;
  to.airTicks = from.airTicks;
  to.pressTicks = from.pressTicks;
  to.jumpsLeft = from.jumpsLeft;
  to.onFloor = from.onFloor;
  to.held = from.held;
  to.rising = from.rising;
  to.fell = from.fell;
  to.low = from.low;
  to.blocked = from.blocked;
}

/** Walls, numbers of the body and things near, which stay the same for a whole decision. Copied once, so that no object is read at a tick. */
let grid: Grid = { width: 0, height: 0, walls: new Uint8Array(0) };
const body = {
  ...{ radius: 0, speed: 0, stepX: 0, pull: 0, takeOff: 0, shortHop: 0, graceTicks: 0, earlyTicks: 0 },
  ...{ jumpsInAir: 0, tall: 0, low: 0, gatherReach: 0 },
};
/** Areas that hurt: left, right, top, bottom. */
const hazards = { count: 0, left: [0], right: [0], top: [0], bottom: [0] };
/** Moving things, and how near their middle may come. Units, units per second. */
const movers = { count: 0, x: [0], y: [0], vx: [0], vy: [0], touch: [0], isBeatenFromAbove: [false] };
/** Limit of the pieces that are considered: a bit each. */
const MOST_PIECES = 31;
const pieces = { count: 0, x: [0], y: [0] };

/** Distance ahead and behind within which moving things are considered. Units. */
const NEAR_AHEAD = 30;
const NEAR_BEHIND = 4;
/** Distance ahead within which still things are considered: the longest imagined time, and the reach of a body from there. */
const AHEAD_SECONDS = 1.8;
const AROUND = 2;

/** Begins a flight where a body is, with what stays the same for a whole decision, and with nothing near. */
export function beginFlight({ world, view, body: from, own: ownOfKind }: AttemptState, flight: Flight): void {
  const own = ownOfKind as RunOwn;
  grid = view.grid;
  body.radius = from.radius;
  body.speed = own.speed;
  body.stepX = limitedStep(own.speed * TICK_SECONDS);
  body.pull = own.gravity * TICK_SECONDS;
  body.takeOff = own.takeOff;
  body.shortHop = own.shortHop;
  body.graceTicks = secondsToTicks(own.edgeGraceSeconds);
  body.earlyTicks = secondsToTicks(own.pressEarlySeconds) + 1;
  body.jumpsInAir = Math.floor(own.jumpsInAir);
  body.tall = standingHalf(own.tall, from.radius);
  body.low = loweredHalf(own.tall, from.radius);
  body.gatherReach = world.gatherReach;
  movers.count = 0;
  hazards.count = 0;
  pieces.count = 0;
  flight.x = from.x;
  flight.y = from.y;
  flight.vy = from.vy;
  flight.halfTall = own.halfTall;
  copyLeaping(own, flight);
  flight.low = own.low;
  flight.blocked = own.blocked;
}

/** Notes what is near a place along the run. @param at units @param needs pieces of which kinds are wanted */
export function noteNear(state: AttemptState, at: number, needs: Needs): void {
  noteMovers(state, at);
  const [begins, ends] = [at - AROUND, at + body.speed * AHEAD_SECONDS + AROUND];
  noteHazards(hazardsOf(state.world.level), begins, ends);
  notePieces(collectablesOf(state), needs, begins, ends);
}

function noteMovers(state: AttemptState, at: number): void {
  movers.count = 0;
  for (const enemy of enemiesOf(state).all) {
    if (!enemy.active || enemy.x <= at - NEAR_BEHIND || enemy.x >= at + NEAR_AHEAD) continue;
    const index = movers.count++;
    movers.x[index] = enemy.x;
    movers.y[index] = enemy.y;
    movers.vx[index] = enemy.vx;
    movers.vy[index] = enemy.vy;
    movers.touch[index] = enemy.radius + body.radius;
    movers.isBeatenFromAbove[index] = enemy.source.fromAbove === true && enemy.health > 0;
  }
}

/** @param begins @param ends where things come under the body while it is imagined, units */
function noteHazards(areas: readonly Area[], begins: number, ends: number): void {
  hazards.count = 0;
  for (let i = 0; i < areas.length; i++) {
    const area = areas[i] as Area;
    if (area.x >= ends || area.x + area.width <= begins) continue;
    const index = hazards.count++;
    hazards.left[index] = area.x;
    hazards.right[index] = area.x + area.width;
    hazards.top[index] = area.y;
    hazards.bottom[index] = area.y + area.height;
  }
}

function notePieces(
  { all, remaining, remainingCount }: ReturnType<typeof collectablesOf>,
  needs: Needs,
  begins: number,
  ends: number,
): void {
  pieces.count = 0;
  if (!needs.anythingToGather) return;
  const any = needs.gather.length - 1;
  for (let i = 0; i < remainingCount && pieces.count < MOST_PIECES; i++) {
    const piece = all[remaining[i] as number] as Collectable;
    if (piece.x <= begins || piece.x >= ends || !(needs.gather[any] || needs.gather[piece.kind])) continue;
    pieces.x[pieces.count] = piece.x;
    pieces.y[pieces.count] = piece.y;
    pieces.count++;
  }
}

/** Is there anything near that may come elsewhere than where it is? */
export const anythingMoves = (): boolean => movers.count > 0;

/** A piece further ahead than a jump goes is not looked at yet. Units per unit of speed. */
const IN_REACH_SECONDS = 0.8;

/** Where the nearest wanted piece ahead of a place lies, units; -1 for none in reach. */
export function pieceAhead(x: number): number {
  let nearest = Number.POSITIVE_INFINITY;
  for (let i = 0; i < pieces.count; i++) {
    const at = pieces.x[i] as number;
    if (at > x && at < nearest) nearest = at;
  }
  return nearest <= x + body.speed * IN_REACH_SECONDS ? nearest : -1;
}

/** How a flight goes. */
export interface Flown {
  /** The tick at which it is hurt, or else the one up to which it was flown. */
  lasts: number;
  hurt: boolean;
  /** Pieces reached until then, a bit each. */
  reached: number;
  /** The tick after which the body stands again and the plan is over; endless where that does not come. */
  done: number;
  /** The tick at which it came to a known way or was stopped, and the pieces reached from there on, a bit each. */
  end: number;
  beyond: number;
}

/** Scratch: how the last flight went. */
export const flown: Flown = { lasts: 0, hurt: false, reached: 0, done: 0, end: 0, beyond: 0 };

/** Condition that ends a flight before its last tick. Those about the plan and about known ways also end it when hurt. */
export type Stops = 'when hurt' | 'when done' | 'on a known way' | 'never';

/**
 * Moves the body by a plan. What it comes to stands in `flown`.
 *
 * @param now tick of the attempt at which tick 0 of the flight is
 * @param ahead ticks from now until tick 0 of the flight, for what moves meanwhile
 * @param clearance distance that the body keeps, units
 */
export function fly(
  flight: Flight,
  plan: Plan,
  now: number,
  ahead: number,
  first: number,
  end: number,
  clearance: number,
  stops: Stops,
): void {
  const { walls, width, height } = grid;
  const { radius, stepX, pull, takeOff, shortHop, graceTicks, earlyTicks, jumpsInAir, tall, low: lowHalf } = body;
  const reach = body.gatherReach * body.gatherReach;
  const bottom = height - WALL_GAP * 4;
  const hazardCount = hazards.count;
  const moverCount = movers.count;
  const pieceCount = pieces.count;
  let { x, y, vy, halfTall, airTicks, pressTicks, jumpsLeft, onFloor, held, rising, fell, low, blocked } = flight;
  let reached = 0;
  let done = Number.POSITIVE_INFINITY;
  let hurt = false;
  let lasts = end;
  let beyondWay = 0;
  let tick = first;
  for (; tick < end; tick++) {
    const time = now + tick;
    const input = time >= plan.from && time < plan.until ? plan.does : 0;
    const slides = input === SLIDE && (onFloor || low);
    if (slides) {
      if (!low) {
        y += halfTall - lowHalf;
        halfTall = lowHalf;
        low = true;
      }
    } else if (low && hasRoomToStand(grid, x, y, radius, halfTall, tall)) {
      y += halfTall - tall;
      halfTall = tall;
      low = false;
    }
    const jumps = input === JUMP && !low;
    if (jumps && !held) pressTicks = earlyTicks;
    else if (pressTicks > 0) pressTicks--;
    held = jumps;
    vy += pull;
    if (pressTicks > 0 && (airTicks <= graceTicks || jumpsLeft > 0)) {
      if (airTicks > graceTicks) jumpsLeft--;
      vy = pull - takeOff;
      pressTicks = 0;
      airTicks = LONG_AIR;
      rising = true;
    } else if (rising && (!jumps || vy >= 0)) {
      if (!jumps && vy < 0) vy *= shortHop;
      rising = false;
    }
    const falls = vy > 0;
    let stopped = false;
    if (stepX !== 0) {
      const nextX = x + stepX;
      const edge = Math.floor(stepX > 0 ? nextX + radius : nextX - radius);
      const last = Math.floor(y + halfTall - BELOW_TOUCH);
      for (let row = Math.floor(y - halfTall); row <= last && !stopped; row++)
        stopped = edge < 0 || row < 0 || edge >= width || row >= height || walls[row * width + edge] === 1;
      if (!stopped) x = nextX;
      else if (stepX > 0) x = edge - radius - WALL_GAP;
      else x = edge + 1 + radius + WALL_GAP;
    }
    const stepY = limitedStep(vy * TICK_SECONDS);
    if (stepY !== 0) {
      const nextY = y + stepY;
      const edge = Math.floor(stepY > 0 ? nextY + halfTall : nextY - halfTall);
      const last = Math.floor(x + radius - BELOW_TOUCH);
      let lands = false;
      for (let column = Math.floor(x - radius); column <= last && !lands; column++)
        lands = column < 0 || edge < 0 || column >= width || edge >= height || walls[edge * width + column] === 1;
      if (!lands) y = nextY;
      else {
        y = stepY > 0 ? edge - halfTall - WALL_GAP : edge + 1 + halfTall + WALL_GAP;
        vy = 0;
      }
    }
    blocked = stopped && stepX > 0 && hasFloorBelow(grid, x, y, radius, halfTall);
    fell = y + halfTall > bottom;
    onFloor = !fell && falls && vy === 0;
    if (onFloor) {
      airTicks = 0;
      jumpsLeft = jumpsInAir;
      rising = false;
    } else if (airTicks < LONG_AIR) airTicks++;

    // Is it hurt?
    hurt = fell || blocked;
    const half = halfTall - radius;
    for (let i = 0; i < hazardCount && !hurt; i++)
      hurt =
        x + clearance >= (hazards.left[i] as number) &&
        x - clearance <= (hazards.right[i] as number) &&
        y + half >= (hazards.top[i] as number) &&
        y - half <= (hazards.bottom[i] as number);
    const seconds = (ahead + tick + 1) * TICK_SECONDS;
    for (let i = 0; i < moverCount && !hurt; i++) {
      const dx = (movers.x[i] as number) + (movers.vx[i] as number) * seconds - x;
      const dy = beyond((movers.y[i] as number) + (movers.vy[i] as number) * seconds - y, half);
      const touch = movers.touch[i] as number;
      if (dx * dx + dy * dy >= (touch + clearance) * (touch + clearance)) continue;
      if (!(movers.isBeatenFromAbove[i] && vy > 0 && dy > 0)) hurt = true;
      else if (dx * dx + dy * dy < touch * touch) {
        // It jumps off what it comes down onto.
        vy = -takeOff * (held ? 1 : shortHop);
        rising = held;
        airTicks = LONG_AIR;
        onFloor = false;
      }
    }
    if (hurt && stops !== 'never') {
      lasts = tick;
      break;
    }
    let here = 0;
    for (let i = 0; i < pieceCount; i++) {
      const dx = (pieces.x[i] as number) - x;
      const dy = beyond((pieces.y[i] as number) - y, half);
      if (dx * dx + dy * dy <= reach) here |= 1 << i;
    }
    reached |= here;
    const standsAgain = time >= plan.until && onFloor && !low;
    if (standsAgain && done > tick) {
      done = tick;
      if (stops === 'when done') break;
    }
    if (stops !== 'on a known way') continue;
    // From where it stands, with nothing pressed that still counts, it just runs.
    const runs = standsAgain && pressTicks === 0;
    if (runs && isKnownWay(tick, y)) {
      lasts = lastsOnWay(tick);
      beyondWay = here | reachedOnWay(tick);
      reached |= beyondWay;
      break;
    }
    noteWay(tick, runs ? y : Number.NaN, here);
  }
  flight.x = x;
  flight.y = y;
  flight.vy = vy;
  flight.halfTall = halfTall;
  flight.airTicks = airTicks;
  flight.pressTicks = pressTicks;
  flight.jumpsLeft = jumpsLeft;
  flight.onFloor = onFloor;
  flight.held = held;
  flight.rising = rising;
  flight.fell = fell;
  flight.low = low;
  flight.blocked = blocked;
  flown.lasts = lasts;
  flown.hurt = hurt;
  flown.reached = reached;
  flown.done = done;
  flown.end = tick;
  flown.beyond = beyondWay;
}
