import { enemiesOf, type AttemptState } from '../../../../play/attempt/index.ts';
import type { Grid } from '../../../../play/grid/index.ts';
import { isHeld, sideOf, type LiftOwn } from '../../../../play/movement/index.ts';
import { TICK_SECONDS } from '../../../../play/rules/index.ts';
import type { Player } from '../../driver.ts';
import { moveImagined } from '../moveImagined.ts';
import { movePlanned } from '../plannedInputs.ts';

/**
 * The body on a lift ground as a player imagines it. Everything that stays the same for a decision is copied once, so that a
 * tick reads no object of the attempt. It moves as `lift.moveBody` does, bit for bit: a property test compares both.
 */

/** The changing state of a flight. Units, units per second. */
export interface Flight {
  x: number;
  y: number;
  vx: number;
  vy: number;
  begun: boolean;
  /** Did a wall or an edge stop it at this tick? */
  stopped: boolean;
}

/** The body that flies. */
export const flight: Flight = { x: 0, y: 0, vx: 0, vy: 0, begun: false, stopped: false };

export function copyFlight(from: Flight, to: Flight): void {
  to.x = from.x;
  to.y = from.y;
  to.vx = from.vx;
  to.vy = from.vy;
  to.begun = from.begun;
  to.stopped = from.stopped;
}

/** Numbers of the body. Units, per second, per tick. */
export const numbers = { radius: 0, forward: 0, steer: 0, rise: 0, fall: 0, mostUp: 0, mostDown: 0 };
let grid: Grid = { width: 0, height: 0, walls: new Uint8Array(0) };

/** Moving things. A length that is not 0 is that of a ground which they cross: at its end they come in again. Units, units per second. */
const movers = { count: 0, x: [0], y: [0], vx: [0], vy: [0], radius: [0], width: [0], height: [0] };

/** Begins a flight where the player will be when its present decision takes effect, by its earlier decisions. @param clearance largest distance that it keeps, units */
export function beginFlight(player: Pick<Player, 'reaction'>, state: AttemptState, clearance: number): void {
  const { body, view, tick } = state;
  const own = state.own as LiftOwn;
  grid = view.grid;
  numbers.radius = body.radius;
  numbers.forward = own.forward;
  numbers.steer = own.steer;
  numbers.rise = -own.rise * TICK_SECONDS;
  numbers.fall = own.gravity * TICK_SECONDS;
  numbers.mostUp = own.mostUp;
  numbers.mostDown = own.mostDown;
  flight.x = body.x;
  flight.y = body.y;
  flight.vx = body.vx;
  flight.vy = body.vy;
  flight.begun = own.begun;
  flight.stopped = own.stopped;
  movePlanned(player, tick, flyOn);
  noteMovers(state, player.reaction.ticks, clearance);
}

/** Nothing is imagined for longer, counted from where the decision takes effect. Ticks. */
export const LONGEST_TICKS = 96;
/** Distance of all moving things at which no further look is needed. Units. */
export const FAR_OFF = 3;
const LONGEST_SECONDS = LONGEST_TICKS * TICK_SECONDS;

/** May something come within sight of the body along an axis? @param length of the ground that it crosses, 0 for none @param reach way of the body and width of its sight, units */
function comesNear(from: number, place: number, way: number, length: number, reach: number): boolean {
  return (length > 0 && way !== 0) || Math.abs(place - from) <= Math.abs(way) + reach;
}

/** Notes the moving things that may come as near as the player looks. @param from ticks until the decision takes effect */
function noteMovers(state: AttemptState, from: number, clearance: number): void {
  const seconds = from * TICK_SECONDS + LONGEST_SECONDS;
  const across = (numbers.forward + numbers.steer) * LONGEST_SECONDS;
  const along = Math.max(numbers.mostUp, numbers.mostDown, Math.abs(flight.vy)) * LONGEST_SECONDS;
  movers.count = 0;
  for (const enemy of enemiesOf(state).all) {
    if (!enemy.active) continue;
    const crosses = enemy.movement === 'cross';
    const [width, height] = crosses ? [grid.width, grid.height] : [0, 0];
    const sight = Math.max(FAR_OFF, enemy.radius + numbers.radius + clearance);
    if (!comesNear(flight.x, enemy.x, enemy.vx * seconds, width, across + sight)) continue;
    if (!comesNear(flight.y, enemy.y, enemy.vy * seconds, height, along + sight)) continue;
    const index = movers.count++;
    movers.x[index] = enemy.x;
    movers.y[index] = enemy.y;
    movers.vx[index] = enemy.vx;
    movers.vy[index] = enemy.vy;
    movers.radius[index] = enemy.radius;
    movers.width[index] = width;
    movers.height[index] = height;
  }
}

/** Moves the body by one tick. */
export function flyOn(input: number): void {
  flight.stopped = false;
  if (input !== 0) flight.begun = true;
  if (!flight.begun) return;
  const { radius, mostUp, mostDown } = numbers;
  const vx = numbers.forward + sideOf(input) * numbers.steer;
  const wanted = flight.vy + (isHeld(input) ? numbers.rise : numbers.fall);
  const vy = wanted < -mostUp ? -mostUp : wanted > mostDown ? mostDown : wanted;
  flight.vx = vx;
  flight.vy = vy;
  moveImagined(grid, flight, radius);
  flight.stopped = flight.vx !== vx || flight.vy !== vy;
}

/** Where something will be that has gone so much further: what crosses a ground of that length comes in again. Units. */
function placeLater(place: number, way: number, radius: number, length: number): number {
  const later = place + way;
  if (length === 0) return later;
  return later > length + radius ? later - length - 2 * radius : later < -radius ? later + length + 2 * radius : later;
}

export const HURT = 1;
export const TOO_NEAR = 2;

/** Scratch: how near anything comes in what is imagined, as the square of its distance. */
export const nearness = { closest: Number.POSITIVE_INFINITY };

/** Does the body meet a moving thing in `ticks` ticks, or come nearer to it than it wants? @param clearance units */
export function meetsMover(ticks: number, clearance: number): number {
  const seconds = ticks * TICK_SECONDS;
  const { x, y } = flight;
  let met = 0;
  for (let i = 0; i < movers.count; i++) {
    const radius = movers.radius[i] as number;
    const wayX = (movers.vx[i] as number) * seconds;
    const wayY = (movers.vy[i] as number) * seconds;
    const dx = placeLater(movers.x[i] as number, wayX, radius, movers.width[i] as number) - x;
    const dy = placeLater(movers.y[i] as number, wayY, radius, movers.height[i] as number) - y;
    const touch = radius + numbers.radius;
    const reach = Math.max(0, touch + clearance);
    const squared = dx * dx + dy * dy;
    if (squared < nearness.closest) nearness.closest = squared;
    if (squared >= reach * reach) continue;
    if (squared < touch * touch) return HURT;
    met = TOO_NEAR;
  }
  return met;
}
