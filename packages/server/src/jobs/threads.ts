import type { Tally, TrialQuestion } from '@stadion/core/trials';
import { availableParallelism } from 'node:os';
import { Piscina } from 'piscina';
import { threadBody } from './body.ts';
import type { WorkQueue } from './queue.ts';
import type { ThreadTask } from './worker.ts';

/** A thread that has not answered for so long is replaced. */
const LONGEST_ANSWER_MS = 30_000;

/** Trials on this machine's threads, one core left free for answering. */
export function threadQueue(width = Math.max(1, availableParallelism() - 1)): WorkQueue {
  const pool = new Piscina({
    ...threadBody('worker'),
    minThreads: 1,
    maxThreads: width,
    idleTimeout: 60_000,
  });
  const blobs = new Map<string, TrialQuestion>();
  const waiting = new Map<string, Set<AbortController>>();
  return {
    width,
    blobs: {
      put: (name, question) => void blobs.set(name, question),
      get: (name) => blobs.get(name),
      delete: (name) => void blobs.delete(name),
    },
    async put({ question: name, first, count }, { group }) {
      const question = blobs.get(name);
      if (!question) throw new Error(`There is no question ${name}.`);
      const abort = new AbortController();
      const mine = waiting.get(group) ?? new Set();
      waiting.set(group, mine.add(abort));
      try {
        const task: ThreadTask = { name, question, first, count };
        return (await pool.run(task, {
          signal: AbortSignal.any([abort.signal, AbortSignal.timeout(LONGEST_ANSWER_MS)]),
        })) as Tally;
      } finally {
        mine.delete(abort);
        if (mine.size === 0) waiting.delete(group);
      }
    },
    drop(group) {
      for (const abort of waiting.get(group) ?? []) abort.abort();
    },
    close: () => pool.destroy(),
  };
}
