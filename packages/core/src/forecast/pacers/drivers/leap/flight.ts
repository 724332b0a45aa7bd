import type { AttemptState, Enemy } from '../../../../play/attempt/index.ts';
import { WALL_GAP, type Grid } from '../../../../play/grid/index.ts';
import { copyLeaping, isHeld, LONG_AIR, sideOf, type Leaping, type LeapOwn } from '../../../../play/movement/index.ts';
import { secondsToTicks, TICK_SECONDS } from '../../../../play/rules/index.ts';
import type { Player } from '../../driver.ts';
import { moveImagined } from '../moveImagined.ts';
import { movePlanned } from '../plannedInputs.ts';

/**
 * The body on a leap ground as a player imagines it. Everything that stays the same for a decision is copied once, so that a
 * tick reads no object of the attempt. It moves as `leap.moveBody` does, bit for bit: a property test compares both.
 */

/** The changing state of a flight. Units, units per second, ticks. */
export interface Flight extends Leaping {
  x: number;
  y: number;
  vx: number;
  vy: number;
}

const atRest = (): Flight => ({
  ...{ x: 0, y: 0, vx: 0, vy: 0, airTicks: 0, pressTicks: 0, jumpsLeft: 0 },
  ...{ onFloor: false, held: false, rising: false, fell: false },
});

/** The body that flies, where what is decided takes effect, and where a move that is looked at has come down. */
export const flight = atRest();
export const begins = atRest();
export const landed = atRest();

/** Makes one flight another. It is called for each plan, so that it copies member by member. */
export function copyFlight(from: Flight, to: Flight): void {
  to.x = from.x;
  to.y = from.y;
  to.vx = from.vx;
  to.vy = from.vy;
  to.airTicks = from.airTicks;
  to.pressTicks = from.pressTicks;
  to.jumpsLeft = from.jumpsLeft;
  to.onFloor = from.onFloor;
  to.held = from.held;
  to.rising = from.rising;
  to.fell = from.fell;
}

/** Numbers of the body. Units, per second, per tick. */
export const numbers = {
  ...{ radius: 0, speed: 0, onGround: 0, inAir: 0, pull: 0, takeOff: 0, shortHop: 0 },
  ...{ graceTicks: 0, earlyTicks: 0, jumpsInAir: 0 },
};
let grid: Grid = { width: 0, height: 0, walls: new Uint8Array(0) };
let ledges: LeapOwn['ledges'] = new Uint8Array(0);

/** Begins a flight where the player will be when its present decision takes effect, by its earlier decisions. */
export function beginFlight(player: Pick<Player, 'reaction'>, state: AttemptState): void {
  const { body, view, tick } = state;
  const own = state.own as LeapOwn;
  grid = view.grid;
  ledges = own.ledges;
  numbers.radius = body.radius;
  numbers.speed = own.speed;
  numbers.onGround = own.acceleration * TICK_SECONDS;
  numbers.inAir = own.acceleration * TICK_SECONDS * own.airControl;
  numbers.pull = own.gravity * TICK_SECONDS;
  numbers.takeOff = own.takeOff;
  numbers.shortHop = own.shortHop;
  numbers.graceTicks = secondsToTicks(own.edgeGraceSeconds);
  numbers.earlyTicks = secondsToTicks(own.pressEarlySeconds) + 1;
  numbers.jumpsInAir = Math.floor(own.jumpsInAir);
  flight.x = body.x;
  flight.y = body.y;
  flight.vx = body.vx;
  flight.vy = body.vy;
  copyLeaping(own, flight);
  movePlanned(player, tick, flyOn);
}

/** Row of the ledge that feet come down through, or -1. @param before where the feet were @param feet where they are now, units */
function ledgeBelow(x: number, before: number, feet: number): number {
  const { width, height } = grid;
  const row = Math.floor(feet);
  if (row <= Math.floor(before - WALL_GAP * 2) || row >= height) return -1;
  const left = Math.max(0, Math.floor(x - numbers.radius));
  const right = Math.min(width - 1, Math.floor(x + numbers.radius));
  for (let column = left; column <= right; column++) if (ledges[row * width + column] === 1) return row;
  return -1;
}

/** Moves the body by one tick. */
export function flyOn(input: number): void {
  const { radius, pull } = numbers;
  const jumps = isHeld(input);
  const most = flight.onFloor ? numbers.onGround : numbers.inAir;
  const change = sideOf(input) * numbers.speed - flight.vx;
  const vx = flight.vx + (change > most ? most : change < -most ? -most : change);
  let { pressTicks, rising } = flight;
  if (jumps && !flight.held) pressTicks = numbers.earlyTicks;
  else if (pressTicks > 0) pressTicks--;
  flight.held = jumps;
  let vy = flight.vy + pull;
  if (pressTicks > 0 && (flight.airTicks <= numbers.graceTicks || flight.jumpsLeft > 0)) {
    if (flight.airTicks > numbers.graceTicks) flight.jumpsLeft--;
    vy = pull - numbers.takeOff;
    pressTicks = 0;
    flight.airTicks = LONG_AIR;
    rising = true;
  } else if (rising && (!jumps || vy >= 0)) {
    if (!jumps && vy < 0) vy *= numbers.shortHop;
    rising = false;
  }
  const falls = vy > 0;
  const before = flight.y + radius;
  flight.vx = vx;
  flight.vy = vy;
  moveImagined(grid, flight, radius);
  if (falls) {
    const row = ledgeBelow(flight.x, before, flight.y + radius);
    if (row >= 0) {
      flight.y = row - radius - WALL_GAP;
      flight.vy = 0;
    }
  }
  flight.fell = flight.y + radius > grid.height - WALL_GAP * 4;
  flight.onFloor = !flight.fell && falls && flight.vy === 0;
  if (flight.onFloor) {
    flight.airTicks = 0;
    flight.jumpsLeft = numbers.jumpsInAir;
    rising = false;
  } else if (flight.airTicks < LONG_AIR) flight.airTicks++;
  flight.pressTicks = pressTicks;
  flight.rising = rising;
}

/** Where one comes to that turns at its ends. Units. */
function turning(x: number, low: number, high: number): number {
  if (x > high) return Math.max(low, 2 * high - x);
  return x < low ? Math.min(high, 2 * low - x) : x;
}

/** Moving things, between which places they walk, and whether they are beaten from above. Units, units per second. */
const movers = {
  count: 0,
  ...{ x: [0], y: [0], vx: [0], vy: [0], radius: [0], low: [0], high: [0], isBeatenFromAbove: [false] },
};

/** Forgets the moving things of the last decision. */
export const forgetMovers = (): void => void (movers.count = 0);

/** Notes a moving thing. @param low @param high places between which it walks, infinite where it does not. Units */
export function noteMover(enemy: Enemy, low: number, high: number): void {
  const index = movers.count++;
  movers.x[index] = enemy.x;
  movers.y[index] = enemy.y;
  movers.vx[index] = enemy.vx;
  movers.vy[index] = enemy.vy;
  movers.radius[index] = enemy.radius;
  movers.low[index] = low;
  movers.high[index] = high;
  movers.isBeatenFromAbove[index] = enemy.source.fromAbove === true && enemy.health > 0;
}

export const HURT = 1;
export const BEATS = 2;
export const TOO_NEAR = 3;

/** Does the body meet a moving thing in `ticks` ticks, or come nearer to it than it wants? @param clearance units */
export function meetsMover(ticks: number, clearance: number): number {
  const seconds = ticks * TICK_SECONDS;
  const { x, y, vy } = flight;
  let met = 0;
  for (let i = 0; i < movers.count; i++) {
    const radius = movers.radius[i] as number;
    const itsX = (movers.x[i] as number) + (movers.vx[i] as number) * seconds;
    const itsY = (movers.y[i] as number) + (movers.vy[i] as number) * seconds;
    const dx = turning(itsX, movers.low[i] as number, movers.high[i] as number) - x;
    const dy = itsY - y;
    const touch = radius + numbers.radius;
    const squared = dx * dx + dy * dy;
    if (movers.isBeatenFromAbove[i] && vy > 0 && y < itsY - radius * 0.5) {
      if (squared < touch * touch) return BEATS;
      continue;
    }
    if (squared < touch * touch) return HURT;
    if (squared < (touch + clearance) * (touch + clearance)) met = TOO_NEAR;
  }
  return met;
}
