import {
  beyond,
  collectablesOf,
  enemiesOf,
  hazardsOf,
  type Area,
  type AttemptState,
  type Collectable,
  type Enemy,
} from '../../../attempt/index.ts';
import { bounceUp, copyLeaping, RUN_ON, type Leaping, type RunOwn } from '../../../grounds/index.ts';
import { TICK_SECONDS } from '../../../rules/index.ts';
import type { Needs } from '../../goals/index.ts';
import type { Player } from '../../driver.ts';
import { copyMoving, imagineUntilActing, type Moving } from '../imagine.ts';
import { inputAt, type Plan } from './plan.ts';

/*
 * What a player imagines: its body from the tick at which it can act, and what is near. Scratch of the decision at
 * hand, so that nothing is made in it.
 */

const body = { x: 0, y: 0, vx: 0, vy: 0, radius: 0, facing: 0, half: 0 };
const own = {} as RunOwn;

/** What of a body changes while it runs; the rest stays as it is for a whole decision. */
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

/** What may be met, and what may be gathered. */
const enemies: Enemy[] = [];
const hazards: Area[] = [];
const pieces: Collectable[] = [];
const gathered: boolean[] = [];
/** Looked at so far ahead, and behind. Units. */
const NEAR_AHEAD = 30;
const NEAR_BEHIND = 4;

const isNear = (x: number): boolean => x > body.x - NEAR_BEHIND && x < body.x + NEAR_AHEAD;

/** Begins a decision: everything is imagined from the tick at which it takes effect. @param needs pieces of which kinds are wanted */
export function lookFrom(player: Player, state: AttemptState, needs: Needs): void {
  imagineUntilActing(player, state, body, own);
  keep(kept);
  enemies.length = 0;
  for (const enemy of enemiesOf(state).all) if (enemy.active && isNear(enemy.x)) enemies.push(enemy);
  hazards.length = 0;
  for (const area of hazardsOf(state.world.level)) if (isNear(area.x)) hazards.push(area);
  pieces.length = 0;
  if (!needs.anythingToGather) return;
  const { all, remaining, remainingCount } = collectablesOf(state);
  const any = needs.gather.length - 1;
  for (let i = 0; i < remainingCount; i++) {
    const piece = all[remaining[i] as number] as Collectable;
    if (isNear(piece.x) && (needs.gather[any] || needs.gather[piece.kind])) pieces.push(piece);
  }
}

/** Is there anything near that may come elsewhere than where it is? */
export const anythingMoves = (): boolean => enemies.length > 0;

/** Does the player stand on something, or slide, where its act begins? */
export const standsAtStart = (): boolean => kept.onFloor;

/** Does the imagined body meet what hurts, so many ticks from now? @param clearance what it keeps from it, units */
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

function gather({ world }: AttemptState): number {
  let count = 0;
  for (let i = 0; i < pieces.length; i++) {
    if (gathered[i]) continue;
    const piece = pieces[i] as Collectable;
    const dx = piece.x - body.x;
    const dy = beyond(piece.y - body.y, body.half);
    if (dx * dx + dy * dy > world.gatherReach * world.gatherReach) continue;
    gathered[i] = true;
    count++;
  }
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
  gatheredBefore = 0;
  gathered.fill(false);
  for (let i = gathered.length; i < pieces.length; i++) gathered.push(false);
  return goOn(state, plan, from, 0, horizon, clearance, false);
}

/** The body that just runs on until a press: presses that come later begin where it has come to. */
const running = atRest();
const gatheredRunning: boolean[] = [];
let gatheredBefore = 0;
let ranTicks = 0;

/** Begins presses that come one after the other. */
export function beginPresses(): void {
  bringBack(kept);
  keep(running);
  gatheredRunning.length = 0;
  for (let i = 0; i < pieces.length; i++) gatheredRunning.push(false);
  ranTicks = 0;
  ranGathers = 0;
}
let ranGathers = 0;

/** Runs on up to a tick from the act. False where the body is hurt before. */
export function runOnTo(state: AttemptState, from: number, ticks: number, clearance: number): boolean {
  toRunning();
  for (; ranTicks < ticks; ranTicks++) {
    state.world.kind.moveBody(state.world, state.view, body, own, RUN_ON);
    if (isHurt(from + ranTicks + 1, clearance)) return false;
    if (pieces.length > 0) ranGathers += gather(state);
  }
  keep(running);
  for (let i = 0; i < pieces.length; i++) gatheredRunning[i] = gathered[i] as boolean;
  return true;
}

function toRunning(): void {
  bringBack(running);
  for (let i = 0; i < pieces.length; i++) gathered[i] = gatheredRunning[i] as boolean;
}

/** How a plan goes that begins where the body has run on to. */
export function imagineFromThere(
  state: AttemptState,
  plan: Plan,
  from: number,
  horizon: number,
  clearance: number,
): Outcome {
  toRunning();
  gatheredBefore = ranGathers;
  return goOn(state, plan, from, ranTicks, horizon, clearance, false);
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
  outcome.gathers = gatheredBefore;
  outcome.done = Number.POSITIVE_INFINITY;
  for (let tick = first; tick < horizon; tick++) {
    const now = state.tick + from + tick;
    world.kind.moveBody(world, view, body, own, inputAt(plan, now));
    if (isHurt(from + tick + 1, clearance)) {
      outcome.lasts = tick;
      return outcome;
    }
    if (pieces.length > 0) outcome.gathers += gather(state);
    if (now >= plan.until && own.onFloor && !own.low && outcome.done > tick) {
      outcome.done = tick;
      if (untilDone) break;
    }
  }
  outcome.lasts = horizon;
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
