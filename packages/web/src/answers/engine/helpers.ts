import type { HelperResult, HelperTask, TaskName, TaskPart, TaskResult, TaskSetup } from './tasks/index.ts';

/** Does one job at a time: this thread, or a helper. */
export type Hand<Job, Result> = (job: Job) => Promise<Result>;

/** Limit of the threads that work on one question. */
const MOST_THREADS = 4;
/** A helper without work ends after this time, ms. */
const IDLE_MS = 30_000;

/** Number of helpers of a question that somebody waits for: this thread and they use all cores. */
export const helpersWaitedFor = (): number =>
  Math.min(MOST_THREADS, Math.max(1, navigator.hardwareConcurrency || 1)) - 1;

/** Number of helpers of a question that is answered while somebody edits: one core is left to the page. */
export const helpersBesideEdits = (cores: number): number => Math.min(MOST_THREADS, Math.max(1, cores - 1)) - 1;

/**
 * Does jobs with several hands: each takes the next job as soon as it is free.
 * @param isAwaited once it returns false, no further job is begun
 * @returns the result of each job, in their order, with gaps where jobs were not begun
 */
export async function shared<Job, Result>(
  jobs: readonly Job[],
  hands: readonly Hand<Job, Result>[],
  isAwaited: () => boolean = () => true,
): Promise<Result[]> {
  const results = new Array<Result>(jobs.length);
  let next = 0;
  await Promise.all(
    hands.map(async (hand) => {
      while (next < jobs.length && isAwaited()) {
        const at = next++;
        results[at] = await hand(jobs[at] as Job);
      }
    }),
  );
  return results;
}

/** A thread that does parts of tasks in the order in which they are sent. */
export class Helper {
  readonly #worker: Worker;
  readonly #waiting: ((result: unknown) => void)[] = [];
  #lastGroup = 0;

  constructor(worker: Worker) {
    this.#worker = worker;
    worker.addEventListener('message', ({ data }: MessageEvent<HelperResult>) => this.#waiting.shift()?.(data.result));
  }

  /**
   * Begins a task: its setup is sent with the first part. Parts of an earlier task that wait are dropped.
   * @returns does one part; its result is undefined where a later task replaced this one
   */
  handFor<Name extends TaskName>(
    task: Name,
    setup: TaskSetup<Name>,
  ): Hand<TaskPart<Name>, TaskResult<Name> | undefined> {
    const group = ++this.#lastGroup;
    let isFirst = true;
    return (part) =>
      new Promise((resolve) => {
        this.#waiting.push(resolve as (result: unknown) => void);
        this.#worker.postMessage({ task, group, part, ...(isFirst && { setup }) } satisfies HelperTask<Name>);
        isFirst = false;
      });
  }

  end(): void {
    this.#worker.terminate();
  }
}

/** Helpers of this thread, lent to one question after another. */
export class Helpers {
  readonly #start: () => Worker;
  readonly #idle: { helper: Helper; timer: ReturnType<typeof setTimeout> }[] = [];

  /** @param start starts a thread of the engine */
  constructor(start: () => Worker) {
    this.#start = start;
  }

  /** Lends helpers, idle ones first. */
  lend(count: number): Helper[] {
    return Array.from({ length: count }, () => {
      const idle = this.#idle.pop();
      clearTimeout(idle?.timer);
      return idle?.helper ?? new Helper(this.#start());
    });
  }

  giveBack(helpers: readonly Helper[]): void {
    for (const helper of helpers) {
      const timer = setTimeout(() => {
        this.#idle.splice(
          this.#idle.findIndex((idle) => idle.helper === helper),
          1,
        );
        helper.end();
      }, IDLE_MS);
      this.#idle.push({ helper, timer });
    }
  }
}

/** The helpers of this thread: further threads of the same engine. */
export const helpers = new Helpers(() => new Worker(globalThis.location.href, { type: 'module' }));
