import type { PreparedLevel } from '@stadion/core/attempt';
import type { Pacer } from '@stadion/core/model';
import { Ways, type Way } from '@stadion/core/trials';

/** Asks where players pass on a level; a later question takes the place of an earlier one. */
export interface WaysRequest {
  id: number;
  level: PreparedLevel;
  pacer: Pacer;
}

export interface WaysAnswer {
  id: number;
  /** By cell: the share of the attempts that passed there, 0–1. */
  passes: readonly number[];
  played: number;
  /** The fastest win of a player without faults; null while there is none. */
  fastest: Way | null;
  /** So many attempts of a player without faults were made. */
  tried: number;
  done: boolean;
}

const ATTEMPTS = 120;
const FASTEST_OF = 12;
const ANSWER_EVERY_MS = 400;

let current = 0;

/** Lets a waiting message in. */
const pause = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

async function answer({ id, level, pacer }: WaysRequest): Promise<void> {
  current = id;
  const ways = new Ways(level);
  let told = performance.now();
  let tried = 0;
  for (;;) {
    if (ways.played < ATTEMPTS) ways.play(pacer, 5);
    if (tried < FASTEST_OF) ways.tryFastest(tried++);
    const now = performance.now();
    const done = ways.played >= ATTEMPTS && tried >= FASTEST_OF;
    if (done || now - told > ANSWER_EVERY_MS) {
      told = now;
      const { passes, played, fastest } = ways;
      postMessage({ id, passes, played, fastest, tried, done } satisfies WaysAnswer);
    }
    if (done) return;
    await pause();
    if (current !== id) return;
  }
}

addEventListener('message', (event: MessageEvent<WaysRequest>) => void answer(event.data));
