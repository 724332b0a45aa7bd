import type { PreparedLevel } from '@stadion/core/play/attempt';
import type { Pacer } from '@stadion/core/document/model';
import { Ways, type Way } from '@stadion/core/forecast/trials';
import { answering } from './answering.ts';

/** Asks where players pass on a level; a later question takes the place of an earlier one. */
export interface WaysRequest {
  id: number;
  level: PreparedLevel;
  pacer: Pacer;
}

export interface WaysAnswer {
  id: number;
  /** Share of the attempts that passed each cell, 0–1. */
  passes: readonly number[];
  played: number;
  /** The fastest win of a player without faults; null while there is none. */
  fastest: Way | null;
  /** Number of attempts by a player without faults. */
  tried: number;
  done: boolean;
}

const ATTEMPTS = 120;
const FASTEST_OF = 12;
const ANSWER_EVERY_MS = 400;

answering(({ level, pacer }: WaysRequest) => {
  const ways = new Ways(level);
  let tried = 0;
  return {
    step() {
      if (ways.played < ATTEMPTS) ways.play(pacer, 5);
      if (tried < FASTEST_OF) ways.tryFastest(tried++);
      return ways.played < ATTEMPTS || tried < FASTEST_OF;
    },
    read(): Omit<WaysAnswer, 'id' | 'done'> {
      const { passes, played, fastest } = ways;
      return { passes, played, fastest, tried };
    },
  };
}, ANSWER_EVERY_MS);
