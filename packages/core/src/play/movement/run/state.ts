import type { KindMotion, Stretch } from '../../attempt/index.ts';
import type { LiveAxis } from '../../../document/model/index.ts';
import type { Jumping, JumpNumbers } from '../jumping.ts';

/** How the player moves on a run, seen from aside: it is carried forward, jumps and slides. */
export interface PlaythroughNumbers extends JumpNumbers {
  /** Units per second to the right. */
  speed: number;
  /** Units that it is high. */
  tall: number;
}

/** A section made ready. */
export interface PreparedSection extends Stretch {
  /** From 1. */
  tier: number;
  weight: number;
}

export type RunMotion = KindMotion &
  PlaythroughNumbers & {
    /** The reading whose tiers say from which pool the next section comes. */
    drawnBy: LiveAxis;
    /** Where each tier begins, ascending, inclusive. */
    bounds: number[];
    sections: PreparedSection[];
  };

/** A section that has been laid. */
export interface Laid {
  /** Its number among the sections of the level, -1 for bare floor where there are none. */
  section: number;
  /** Where it begins and ends, units. */
  from: number;
  to: number;
}

/** State of a run in an attempt: its present numbers, and the state of the body. */
export interface RunOwn extends PlaythroughNumbers, Jumping {
  /** Half of the body's height as it now is, units. */
  halfTall: number;
  /** Is it low: does it slide, or has it no room to stand up? */
  low: boolean;
  /** Did a wall stop it at this tick? */
  blocked: boolean;
  /** Sections as they were laid, the first one first. Shared by copies: who looks ahead lays nothing. */
  laid: Laid[];
  /** How many of them the player has left behind. */
  passed: number;
  /** How many lay behind before the attempt began. */
  passedBefore: number;
  /** Only this section comes; -1 for all. */
  only: number;
  /** Sections from here on are still there; those before are let go. */
  firstLive: number;
}
