import { availableParallelism } from 'node:os';
import { Piscina } from 'piscina';
import type { TrialQueue } from './queue.ts';

const IS_SOURCE = import.meta.url.endsWith('.ts');

/** Trials on this machine's threads, one core left free for answering. */
export function threadQueue(width = Math.max(1, availableParallelism() - 1)): TrialQueue {
  const pool = new Piscina({
    filename: new URL(IS_SOURCE ? './worker.ts' : './worker.js', import.meta.url).href,
    minThreads: 1,
    maxThreads: width,
    idleTimeout: 60_000,
    execArgv: IS_SOURCE ? ['--conditions=source', '--import', 'tsx'] : [],
  });
  return {
    width,
    play: (task) => pool.run(task),
    close: () => pool.destroy(),
  };
}
