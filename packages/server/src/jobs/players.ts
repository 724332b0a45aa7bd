import type { Tally, TrialQuestion } from '@stadion/core/forecast/trials';
import { availableParallelism } from 'node:os';
import { Piscina } from 'piscina';
import { threadBody } from './body.ts';
import type { Blobs } from './queue.ts';
import { timeLimit } from './timeLimit.ts';
import type { ThreadTask } from './worker.ts';

/** Computing time after which a thread that has not answered is replaced, ms. */
const LONGEST_ANSWER_MS = 30_000;

/** Threads of this process that play batches. */
export interface Players {
  /** How many batches they play at the same time. */
  readonly width: number;
  /** @param signal ends the batch @returns the attempts, or the first of them where they take long */
  play(task: ThreadTask, signal?: AbortSignal): Promise<Tally>;
  close(): Promise<void>;
}

/** Threads that play; by default one core is left free for answering. */
export function players(width = Math.max(1, availableParallelism() - 1)): Players {
  const pool = new Piscina({ ...threadBody('worker'), minThreads: 1, maxThreads: width, idleTimeout: 60_000 });
  return {
    width,
    play: async (task, signal) => {
      const late = timeLimit(LONGEST_ANSWER_MS);
      try {
        return (await pool.run(task, {
          signal: signal ? AbortSignal.any([signal, late.signal]) : late.signal,
        })) as Tally;
      } finally {
        late.end();
      }
    },
    close: () => pool.destroy(),
  };
}

/** Questions by name, in this process. */
export function localBlobs(): Blobs {
  const blobs = new Map<string, TrialQuestion>();
  return {
    put: (name, question) => void blobs.set(name, question),
    get: (name) => blobs.get(name),
    delete: (name) => void blobs.delete(name),
  };
}
