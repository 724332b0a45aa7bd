import type { PreparedLevel } from '@stadion/core/play/attempt';
import type { Pacer } from '@stadion/core/document/model';
import { Ways, type Way } from '@stadion/core/forecast/trials';
import type { Job, Work } from '../answering.ts';

/** The level, and the pacer whose ways are wanted. */
export interface WaysQuestion {
  level: PreparedLevel;
  pacer: Pacer;
}

export interface WaysAnswer {
  /** Share of the attempts that passed each cell, 0–1. */
  passes: readonly number[];
  played: number;
  /** The fastest win of a player without faults; null while there is none. */
  fastest: Way | null;
  /** Number of attempts by a player without faults. */
  tried: number;
}

const ATTEMPTS = 120;
const FASTEST_OF = 12;

function begin({ level, pacer }: WaysQuestion): Work<WaysAnswer> {
  const found = new Ways(level);
  let tried = 0;
  return {
    step() {
      if (found.played < ATTEMPTS) found.play(pacer, 5);
      if (tried < FASTEST_OF) found.tryFastest(tried++);
      return found.played < ATTEMPTS || tried < FASTEST_OF;
    },
    read() {
      const { passes, played, fastest } = found;
      return { passes, played, fastest, tried };
    },
  };
}

/** Where players pass on a level. */
export const ways: Job<WaysQuestion, WaysAnswer> = { everyMs: 400, begin };
