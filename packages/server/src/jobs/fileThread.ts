import type { FileReading } from '@stadion/files';
import { Piscina } from 'piscina';
import { StadionError } from '../http/errors.ts';
import { threadBody } from './body.ts';
import type { FileWork } from './files.ts';
import type * as worker from './fileWorker.ts';
import { timeLimit } from './timeLimit.ts';

/** Limit of a thread's memory, MB. */
const MOST_MEMORY_MB = 512;
/** Limit of the computing time for one file, ms. */
const LONGEST_MS = 60_000;
/** Two threads: a file that is asked for waits for no more than one heavy file. */
const MOST_THREADS = 2;

/** Did the thread end because of its limits, and not because of what it does? */
const isTooHeavy = (error: unknown): boolean =>
  error instanceof Error &&
  (error.name === 'AbortError' || (error as NodeJS.ErrnoException).code === 'ERR_WORKER_OUT_OF_MEMORY');

/** Works on files in threads of their own, so that a heavy one holds nobody up and a hostile one ends only its thread. */
export function fileThread(): FileWork & { close: () => Promise<void> } {
  const pool = new Piscina({
    ...threadBody('fileWorker'),
    // Settings that a thread reads at its start.
    name: 'read' satisfies keyof typeof worker,
    minThreads: 0,
    maxThreads: MOST_THREADS,
    idleTimeout: 30_000,
    resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY_MB },
  });
  /** @throws StadionError where it takes more than a thread may */
  async function run<Name extends keyof typeof worker>(
    name: Name,
    task: Parameters<(typeof worker)[Name]>[0],
  ): Promise<ReturnType<(typeof worker)[Name]>> {
    const limit = timeLimit(LONGEST_MS);
    try {
      return (await pool.run(task, { name, signal: limit.signal })) as ReturnType<(typeof worker)[Name]>;
    } catch (error) {
      if (isTooHeavy(error))
        throw new StadionError('too-large', 'This takes more memory or time than any project does.');
      throw error;
    } finally {
      limit.end();
    }
  }
  return {
    async read(text): Promise<FileReading> {
      try {
        return await run('read', text);
      } catch {
        const message = 'Reading this file takes more memory or time than any project does.';
        return { ok: false, detail: message, places: [{ message }] };
      }
    },
    make: ({ document, ...task }) => run('make', { ...task, document: JSON.stringify(document) }),
    failures: ({ document, ...task }) => run('failures', { ...task, document: JSON.stringify(document) }),
    close: () => pool.destroy(),
  };
}
