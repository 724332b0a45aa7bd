import type { KindMotion } from '../../attempt/index.ts';
import type { Jumping, JumpNumbers } from '../jumping.ts';

/** How the player moves on a leap ground, seen from aside: it walks, jumps and falls. */
export interface LeapNumbers extends JumpNumbers {
  /** Units per second. */
  speed: number;
  /** Units per second squared. */
  acceleration: number;
  /** Share of it in the air, 0–1. */
  airControl: number;
}
export type LeapMotion = KindMotion & LeapNumbers;

/** State of a leap ground in an attempt: its present numbers, and the state of the body. */
export interface LeapOwn extends LeapNumbers, Jumping {
  /** 1 for each cell that is a ledge. */
  ledges: Uint8Array;
}
