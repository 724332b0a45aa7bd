import type { PlayerBody } from '../attempt/index.ts';
import { secondsToTicks, TICK_SECONDS } from '../rules/index.ts';

/*
 * How a body jumps and falls that is seen from aside: what walks and what is carried forward have it in common.
 */

/** The numbers of a jump. */
export interface JumpNumbers {
  /** Units per second squared. */
  gravity: number;
  /** Units. */
  jumpHeight: number;
  /** Share of the speed upwards that is left when let go, 0–1. */
  shortHop: number;
  edgeGraceSeconds: number;
  pressEarlySeconds: number;
  jumpsInAir: number;
}

/** Limits of each number. */
export const JUMP_LIMITS = {
  gravity: [0, 200],
  jumpHeight: [0, 40],
  shortHop: [0, 1],
  edgeGraceSeconds: [0, 2],
  pressEarlySeconds: [0, 2],
  jumpsInAir: [0, 20],
} as const satisfies Record<keyof JumpNumbers, readonly [number, number]>;

/** A body that jumps, as it is. */
export interface Jumping extends JumpNumbers {
  /** Units per second at take-off. */
  takeOff: number;
  onFloor: boolean;
  /** Ticks since the player stood. */
  airTicks: number;
  /** Ticks for which the last press still counts; 0 for none. */
  pressTicks: number;
  /** Is jump held? */
  held: boolean;
  /** On its way up by a jump that has not been let go. */
  rising: boolean;
  jumpsLeft: number;
  /** Has it left by the lower edge? */
  fell: boolean;
  /** Way gone at the last tick, units. */
  gone: number;
}

/** Longer in the air than any grace. Ticks. */
export const LONG_AIR = 1000;

/**
 * Returns the speed at take-off with which the sum over ticks reaches the height exactly: velocity comes before
 * place, so h = v²/2g − v·dt/2. Without gravity a jump is a push of that many units a second.
 */
export function takeOffOf({ gravity, jumpHeight }: Pick<JumpNumbers, 'gravity' | 'jumpHeight'>): number {
  if (gravity === 0) return jumpHeight;
  const step = gravity * TICK_SECONDS;
  return (step + Math.sqrt(step * step + 8 * gravity * jumpHeight)) / 2;
}

/** The changing state of a jumping body. */
export type Leaping = Pick<Jumping, 'onFloor' | 'airTicks' | 'pressTicks' | 'held' | 'rising' | 'jumpsLeft' | 'fell'>;

/** Makes one body's state that of another; its numbers stay. */
export function copyLeaping(from: Leaping, to: Leaping): void {
  to.onFloor = from.onFloor;
  to.airTicks = from.airTicks;
  to.pressTicks = from.pressTicks;
  to.held = from.held;
  to.rising = from.rising;
  to.jumpsLeft = from.jumpsLeft;
  to.fell = from.fell;
}

/** Makes one body another: its numbers and its state. */
export function copyJumping(from: Jumping, to: Jumping): void {
  to.gravity = from.gravity;
  to.jumpHeight = from.jumpHeight;
  to.shortHop = from.shortHop;
  to.edgeGraceSeconds = from.edgeGraceSeconds;
  to.pressEarlySeconds = from.pressEarlySeconds;
  to.jumpsInAir = from.jumpsInAir;
  to.takeOff = from.takeOff;
  to.gone = from.gone;
  copyLeaping(from, to);
}

/** A body in the air that has done nothing yet. */
export const stillJumping = (numbers: JumpNumbers): Omit<Jumping, keyof JumpNumbers> => ({
  takeOff: takeOffOf(numbers),
  onFloor: false,
  airTicks: LONG_AIR,
  pressTicks: 0,
  held: false,
  rising: false,
  jumpsLeft: 0,
  fell: false,
  gone: 0,
});

/** Applies a tick of holding jump, or of releasing it, to the vertical speed. Called before the body moves. */
export function pullAndPress(own: Jumping, body: PlayerBody, jumps: boolean): void {
  if (jumps && !own.held) own.pressTicks = secondsToTicks(own.pressEarlySeconds) + 1;
  else if (own.pressTicks > 0) own.pressTicks--;
  own.held = jumps;
  body.vy += own.gravity * TICK_SECONDS;
  if (own.pressTicks > 0 && (own.airTicks <= secondsToTicks(own.edgeGraceSeconds) || own.jumpsLeft > 0)) {
    if (own.airTicks > secondsToTicks(own.edgeGraceSeconds)) own.jumpsLeft--;
    body.vy = own.gravity * TICK_SECONDS - own.takeOff;
    own.pressTicks = 0;
    own.airTicks = LONG_AIR;
    own.rising = true;
  } else if (own.rising && (!jumps || body.vy >= 0)) {
    if (!jumps && body.vy < 0) body.vy *= own.shortHop;
    own.rising = false;
  }
}

/** Notes whether the body stands, after it has moved. */
export function noteFloor(own: Jumping, stands: boolean): void {
  own.onFloor = stands;
  if (stands) {
    own.airTicks = 0;
    own.jumpsLeft = Math.floor(own.jumpsInAir);
    own.rising = false;
  } else if (own.airTicks < LONG_AIR) own.airTicks++;
}

/** Lets a body hang in the air at rest, as before its first tick. */
export function restJumping(own: Jumping): void {
  own.onFloor = false;
  own.airTicks = LONG_AIR;
  own.pressTicks = 0;
  own.rising = false;
  own.jumpsLeft = 0;
  own.fell = false;
  own.gone = 0;
}

/** Throws a body up that has come down onto something. */
export function bounceUp(own: Jumping, body: PlayerBody): void {
  body.vy = -own.takeOff * (own.held ? 1 : own.shortHop);
  own.rising = own.held;
  own.airTicks = LONG_AIR;
  own.onFloor = false;
}

/** Numbers of a jump from level floor to level floor, held all the time. */
export interface JumpFacts {
  /** Seconds off the floor. */
  seconds: number;
  /** Units across at full speed, with what the edge forgives. */
  length: number;
}

/** How long and how far a jump goes. @param of speed in units per second */
export function jumpFacts(
  of: Pick<JumpNumbers, 'gravity' | 'jumpHeight' | 'edgeGraceSeconds'> & { speed: number },
): JumpFacts {
  if (of.gravity <= 0) return { seconds: Number.POSITIVE_INFINITY, length: Number.POSITIVE_INFINITY };
  const seconds = (2 * takeOffOf(of)) / of.gravity;
  return { seconds, length: of.speed * (seconds + of.edgeGraceSeconds) };
}
