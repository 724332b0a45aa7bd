import type { KindMotion } from '../../attempt/index.ts';

/** How the player moves on a leap ground, seen from aside: it walks, jumps and falls. */
export interface LeapNumbers {
  /** Units per second. */
  speed: number;
  /** Units per second squared. */
  acceleration: number;
  /** Share of it in the air, 0–1. */
  airControl: number;
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
export type LeapMotion = KindMotion & LeapNumbers;

/** What a leap ground remembers of an attempt: its numbers as changed parameters have made them, and the state of the body. */
export interface LeapOwn extends LeapNumbers {
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
  /** 1 for each cell that is a ledge. */
  ledges: Uint8Array;
}
