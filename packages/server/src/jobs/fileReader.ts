import { Piscina } from 'piscina';
import type { FileReading } from '@stadion/files';
import { threadBody } from './body.ts';

/** A reading thread may take so much memory, MB, and so long, ms. */
const MOST_MEMORY_MB = 512;
const LONGEST_MS = 60_000;

/** Reads project files in a thread of its own, so that a heavy one holds nobody up and a hostile one ends only its thread. */
export function fileReader(): { read: (text: string) => Promise<FileReading>; close: () => Promise<void> } {
  const pool = new Piscina({
    ...threadBody('reader'),
    minThreads: 0,
    maxThreads: 1,
    idleTimeout: 30_000,
    resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY_MB },
  });
  return {
    async read(text) {
      try {
        return (await pool.run(text, { signal: AbortSignal.timeout(LONGEST_MS) })) as FileReading;
      } catch {
        const message = 'Reading this file takes more memory or time than any project does.';
        return { ok: false, detail: message, places: [{ message }] };
      }
    },
    close: () => pool.destroy(),
  };
}
