import {
  beyond,
  collectablesOf,
  enemiesOf,
  hazardsOf,
  type Area,
  type AttemptState,
  type Collectable,
  type Enemy,
} from '../../../../play/attempt/index.ts';
import { bounceUp, copyLeaping, RUN_ON, type Leaping, type RunOwn } from '../../../../play/movement/index.ts';
import { TICK_SECONDS } from '../../../../play/rules/index.ts';
import type { Needs } from '../../goals/index.ts';
import type { Player } from '../../driver.ts';
import { copyMoving, imagineUntilActing, type Moving } from '../imagine.ts';
import { inputAt, type Plan } from './plan.ts';
import { forgetWays, isKnownWay, keepWay, lastsOnWay, noteWay, reachedOnWay } from './ways.ts';

/**
 * The imagination of a player: its body from the tick at which it can act, and everything near. Scratch of the
 * present decision, so that no objects are made in it.
 */

const body = { x: 0, y: 0, vx: 0, vy: 0, radius: 0, facing: 0, half: 0 };
const own = {} as RunOwn;

/** The changing state of a running body; the rest stays the same for a whole decision. */
interface Moment extends Moving, Leaping {
  half: number;
  halfTall: number;
  low: boolean;
  blocked: boolean;
}

const atRest = (): Moment => ({
  ...{ x: 0, y: 0, vx: 0, vy: 0, half: 0, halfTall: 0, airTicks: 0, pressTicks: 0, jumpsLeft: 0 },
  ...{ onFloor: false, held: false, rising: false, fell: false, low: false, blocked: false },
});

function keep(moment: Moment): void {
  copyMoving(body, moment);
  moment.half = body.half;
  copyLeaping(own, moment);
  moment.halfTall = own.halfTall;
  moment.low = own.low;
  moment.blocked = own.blocked;
}

function bringBack(moment: Moment): void {
  copyMoving(moment, body);
  body.half = moment.half;
  copyLeaping(moment, own);
  own.halfTall = moment.halfTall;
  own.low = moment.low;
  own.blocked = moment.blocked;
}

const kept = atRest();

/** Enemies that may be met, and pieces that may be gathered. */
const enemies: Enemy[] = [];
const hazards: Area[] = [];
const pieces: Collectable[] = [];
/** Limit of the pieces that are considered: a bit each. */
const MOST_PIECES = 31;
/** Distance ahead and behind within which moving things are considered. Units. */
const NEAR_AHEAD = 30;
const NEAR_BEHIND = 4;
/** Distance ahead within which still things are considered: the longest imagined time, and the reach of a body from there. */
const AHEAD_SECONDS = 1.8;
const AROUND = 2;

const isNear = (x: number): boolean => x > body.x - NEAR_BEHIND && x < body.x + NEAR_AHEAD;

/** Does what lies from here to there come under the body while it is imagined? Units. */
const comesUp = (from: number, to: number): boolean =>
  to > body.x - AROUND && from < body.x + own.speed * AHEAD_SECONDS + AROUND;

/** Begins a decision: everything is imagined from the tick at which it takes effect. @param needs pieces of which kinds are wanted */
export function lookFrom(player: Player, state: AttemptState, needs: Needs): void {
  imagineUntilActing(player, state, body, own);
  keep(kept);
  enemies.length = 0;
  for (const enemy of enemiesOf(state).all) if (enemy.active && isNear(enemy.x)) enemies.push(enemy);
  hazards.length = 0;
  for (const area of hazardsOf(state.world.level)) if (comesUp(area.x, area.x + area.width)) hazards.push(area);
  pieces.length = 0;
  if (!needs.anythingToGather) return;
  const { all, remaining, remainingCount } = collectablesOf(state);
  const any = needs.gather.length - 1;
  for (let i = 0; i < remainingCount; i++) {
    const piece = all[remaining[i] as number] as Collectable;
    if (!comesUp(piece.x, piece.x) || !(needs.gather[any] || needs.gather[piece.kind])) continue;
    if (pieces.length < MOST_PIECES) pieces.push(piece);
  }
}

/** Is there anything near that may come elsewhere than where it is? */
export const anythingMoves = (): boolean => enemies.length > 0;

/** Does the player stand on something, or slide, where its act begins? */
export const standsAtStart = (): boolean => kept.onFloor;

/** Does the imagined body meet something harmful in `ticks` ticks? @param clearance distance that it keeps, units */
function isHurt(ticks: number, clearance: number): boolean {
  if (own.fell || own.blocked) return true;
  for (let i = 0; i < hazards.length; i++) {
    const area = hazards[i] as Area;
    if (body.x + clearance < area.x || body.x - clearance > area.x + area.width) continue;
    if (body.y + body.half >= area.y && body.y - body.half <= area.y + area.height) return true;
  }
  const seconds = ticks * TICK_SECONDS;
  for (let i = 0; i < enemies.length; i++) {
    const enemy = enemies[i] as Enemy;
    const dx = enemy.x + enemy.vx * seconds - body.x;
    const dy = beyond(enemy.y + enemy.vy * seconds - body.y, body.half);
    const touch = enemy.radius + body.radius;
    if (dx * dx + dy * dy >= (touch + clearance) * (touch + clearance)) continue;
    const isOnto = enemy.source.fromAbove === true && enemy.health > 0 && body.vy > 0 && dy > 0;
    if (!isOnto) return true;
    if (dx * dx + dy * dy < touch * touch) bounceUp(own, body);
  }
  return false;
}

/** Which pieces the imagined body reaches where it is, a bit each. */
function reached({ world: { gatherReach } }: AttemptState): number {
  let bits = 0;
  for (let i = 0; i < pieces.length; i++) {
    const piece = pieces[i] as Collectable;
    const dx = piece.x - body.x;
    const dy = beyond(piece.y - body.y, body.half);
    if (dx * dx + dy * dy <= gatherReach * gatherReach) bits |= 1 << i;
  }
  return bits;
}

function countOf(bits: number): number {
  let count = 0;
  for (; bits !== 0; bits &= bits - 1) count++;
  return count;
}

/** A piece further ahead than a jump goes is not looked at yet. Units per unit of speed. */
const IN_REACH_SECONDS = 0.8;

/** Where the nearest wanted piece ahead lies, units; -1 for none in reach. */
export function nearestPiece(): number {
  let nearest = Number.POSITIVE_INFINITY;
  for (const { x } of pieces) if (x > kept.x && x < nearest) nearest = x;
  return nearest <= kept.x + own.speed * IN_REACH_SECONDS ? nearest : -1;
}

/** How a plan goes. */
export interface Outcome {
  /** Ticks without being hurt. */
  lasts: number;
  /** Pieces gathered until then. */
  gathers: number;
  /** The tick after which the body stands again and the plan is over; endless where that does not come. */
  done: number;
}

/** Scratch: what the last plan that was imagined came to. */
export const outcome: Outcome = { lasts: 0, gathers: 0, done: 0 };

/**
 * Runs the body by a plan. What it comes to stands in `outcome`.
 *
 * @param from ticks from now until the act
 */
export function imagine(state: AttemptState, plan: Plan, from: number, horizon: number, clearance: number): Outcome {
  bringBack(kept);
  return goOn(state, plan, from, 0, horizon, clearance, false);
}

/** The body that just runs on until a press: presses that come later begin where it has come to. */
const running = atRest();
let ranTicks = 0;
let ranReached = 0;

/** Begins presses that come one after the other. */
export function beginPresses(): void {
  bringBack(kept);
  keep(running);
  ranTicks = 0;
  ranReached = 0;
  forgetWays();
}

/** Runs on up to a tick from the act. False where the body is hurt before. */
export function runOnTo(state: AttemptState, from: number, ticks: number, clearance: number): boolean {
  bringBack(running);
  for (; ranTicks < ticks; ranTicks++) {
    state.world.kind.moveBody(state.world, state.view, body, own, RUN_ON);
    if (isHurt(from + ranTicks + 1, clearance)) return false;
    ranReached |= reached(state);
  }
  keep(running);
  return true;
}

/** Does the body stand, with nothing pressed that still counts, after an act? From there on it just runs. */
const justRuns = (plan: Plan, now: number): boolean =>
  now >= plan.until && own.onFloor && !own.low && own.pressTicks === 0;

/** How a press goes that begins where the body has run on to. What lies behind it is taken from earlier presses that came to the same place. */
export function imagineFromThere(
  state: AttemptState,
  plan: Plan,
  from: number,
  horizon: number,
  clearance: number,
): Outcome {
  bringBack(running);
  outcome.done = Number.POSITIVE_INFINITY;
  outcome.lasts = horizon;
  let bits = ranReached;
  let beyondWay = 0;
  let tick = ranTicks;
  for (; tick < horizon; tick++) {
    const now = state.tick + from + tick;
    state.world.kind.moveBody(state.world, state.view, body, own, inputAt(plan, now));
    if (isHurt(from + tick + 1, clearance)) {
      outcome.lasts = tick;
      break;
    }
    const here = reached(state);
    bits |= here;
    const runs = justRuns(plan, now);
    if (runs && outcome.done > tick) outcome.done = tick;
    if (runs && isKnownWay(tick, body.y)) {
      outcome.lasts = lastsOnWay(tick);
      beyondWay = here | reachedOnWay(tick);
      bits |= beyondWay;
      break;
    }
    noteWay(tick, runs ? body.y : Number.NaN, here);
  }
  keepWay(ranTicks, tick, outcome.lasts, beyondWay);
  outcome.gathers = countOf(bits);
  return outcome;
}

function goOn(
  state: AttemptState,
  plan: Plan,
  from: number,
  first: number,
  horizon: number,
  clearance: number,
  untilDone: boolean,
): Outcome {
  const { world, view } = state;
  let bits = 0;
  outcome.done = Number.POSITIVE_INFINITY;
  outcome.lasts = horizon;
  for (let tick = first; tick < horizon; tick++) {
    const now = state.tick + from + tick;
    world.kind.moveBody(world, view, body, own, inputAt(plan, now));
    if (isHurt(from + tick + 1, clearance)) {
      outcome.lasts = tick;
      break;
    }
    bits |= reached(state);
    if (now >= plan.until && own.onFloor && !own.low && outcome.done > tick) {
      outcome.done = tick;
      if (untilDone) break;
    }
  }
  outcome.gathers = countOf(bits);
  return outcome;
}

const after = atRest();

/** Can one who has done a plan go on for a while by one thing more? @param thens what may come next, ticks counted from when it stands again */
export function canGoOn(state: AttemptState, plan: Plan, from: number, thens: readonly Plan[], ticks: number): boolean {
  bringBack(kept);
  goOn(state, plan, from, 0, plan.until - state.tick - from + 90, 0, true);
  const { done } = outcome;
  if (done === Number.POSITIVE_INFINITY) return false;
  keep(after);
  const now = state.tick + from + done + 1;
  for (const then of thens) {
    bringBack(after);
    own.held = false;
    next.does = then.does;
    next.from = now + then.from;
    next.until = now + then.until;
    if (goOn(state, next, from, done + 1, done + 1 + ticks, 0, false).lasts >= done + 1 + ticks) return true;
  }
  return false;
}
const next: Plan = { does: 0, from: 0, until: 0 };
