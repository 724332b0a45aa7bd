import type { AttemptState } from '../../../../play/attempt/index.ts';
import { RUN_ON } from '../../../../play/movement/index.ts';
import type { Needs } from '../../goals/index.ts';
import type { Player } from '../../driver.ts';
import { movePlanned } from '../plannedInputs.ts';
import { beginFlight, copyFlight, flightAtRest, flown, fly, noteNear, pieceAhead } from './flight.ts';
import { NOTHING, type Plan } from './plan.ts';
import { forgetWays, keepWay } from './ways.ts';

export { anythingMoves } from './flight.ts';

/**
 * The imagination of a player: its body from the tick at which it can act, and everything near. Scratch of the
 * present decision, so that no objects are made in it.
 */

/** The body where its act begins, and as it is imagined. */
const kept = flightAtRest();
const flight = flightAtRest();

const planned: Plan = { does: RUN_ON, from: 0, until: Number.POSITIVE_INFINITY };

/** Begins a decision: everything is imagined from the tick at which it takes effect. @param needs pieces of which kinds are wanted */
export function lookFrom(player: Player, state: AttemptState, needs: Needs): void {
  beginFlight(state, kept);
  movePlanned(player, state.tick, (input, tick) => {
    planned.does = input as Plan['does'];
    fly(kept, planned, state.tick, 0, tick, tick + 1, 0, 'never');
  });
  noteNear(state, kept.x, needs);
}

/** Does the player stand on something, or slide, where its act begins? */
export const standsAtStart = (): boolean => kept.onFloor;

function countOf(bits: number): number {
  let count = 0;
  for (; bits !== 0; bits &= bits - 1) count++;
  return count;
}

/** Where the nearest wanted piece ahead lies, units; -1 for none in reach. */
export const nearestPiece = (): number => pieceAhead(kept.x);

/** How a plan goes. */
export interface Outcome {
  /** Ticks without being hurt. */
  lasts: number;
  /** Pieces gathered until then. */
  gathers: number;
}

/** Scratch: what the last plan that was imagined came to. */
const outcome: Outcome = { lasts: 0, gathers: 0 };

function outcomeOf(lasts: number, reached: number): Outcome {
  outcome.lasts = lasts;
  outcome.gathers = countOf(reached);
  return outcome;
}

/**
 * Runs the body by a plan.
 *
 * @param from ticks from now until the act
 */
export function imagine(state: AttemptState, plan: Plan, from: number, horizon: number, clearance: number): Outcome {
  copyFlight(kept, flight);
  fly(flight, plan, state.tick + from, from, 0, horizon, clearance, 'when hurt');
  return outcomeOf(flown.lasts, flown.reached);
}

/** The body that just runs on until a press: presses that come later begin where it has come to. */
const running = flightAtRest();
let ranTicks = 0;
let ranReached = 0;

/** Begins presses that come one after the other. */
export function beginPresses(): void {
  copyFlight(kept, running);
  ranTicks = 0;
  ranReached = 0;
  forgetWays();
}

/** Runs on up to a tick from the act. False where the body is hurt before. */
export function runOnTo(state: AttemptState, from: number, ticks: number, clearance: number): boolean {
  fly(running, NOTHING, state.tick + from, from, ranTicks, ticks, clearance, 'when hurt');
  ranTicks = ticks;
  ranReached |= flown.reached;
  return !flown.hurt;
}

/** How a press goes that begins where the body has run on to. What lies behind it is taken from earlier presses that came to the same place. */
export function imagineFromThere(
  state: AttemptState,
  plan: Plan,
  from: number,
  horizon: number,
  clearance: number,
): Outcome {
  copyFlight(running, flight);
  fly(flight, plan, state.tick + from, from, ranTicks, horizon, clearance, 'on a known way');
  keepWay(ranTicks, flown.end, flown.lasts, flown.beyond);
  return outcomeOf(flown.lasts, ranReached | flown.reached);
}

const after = flightAtRest();
const next: Plan = { does: 0, from: 0, until: 0 };

/** Can one who has done a plan go on for a while by one thing more? @param thens what may come next, ticks counted from when it stands again */
export function canGoOn(state: AttemptState, plan: Plan, from: number, thens: readonly Plan[], ticks: number): boolean {
  const acts = state.tick + from;
  copyFlight(kept, after);
  fly(after, plan, acts, from, 0, plan.until - acts + 90, 0, 'when done');
  const { done } = flown;
  if (done === Number.POSITIVE_INFINITY) return false;
  const begins = done + 1;
  const ends = begins + ticks;
  for (const then of thens) {
    copyFlight(after, flight);
    flight.held = false;
    next.does = then.does;
    next.from = acts + begins + then.from;
    next.until = acts + begins + then.until;
    fly(flight, next, acts, from, begins, ends, 0, 'when hurt');
    if (!flown.hurt) return true;
  }
  return false;
}
