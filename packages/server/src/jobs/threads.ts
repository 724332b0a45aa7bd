import { localBlobs, players } from './players.ts';
import type { WorkQueue } from './queue.ts';

/** Trials on this machine's threads. */
export function threadQueue(): WorkQueue {
  const playing = players();
  const blobs = localBlobs();
  const waiting = new Map<string, Set<AbortController>>();
  return {
    width: playing.width,
    blobs,
    async put({ question: name, first, count }, { group }) {
      const question = blobs.get(name);
      if (!question) throw new Error(`There is no question ${name}.`);
      const abort = new AbortController();
      const mine = waiting.get(group) ?? new Set();
      waiting.set(group, mine.add(abort));
      try {
        return await playing.play({ name, question, first, count }, abort.signal);
      } finally {
        mine.delete(abort);
        if (mine.size === 0) waiting.delete(group);
      }
    },
    drop(group) {
      for (const abort of waiting.get(group) ?? []) abort.abort();
    },
    close: () => playing.close(),
  };
}
