/** A worker for jobs: this thread, or another one. */
export type Hand<Job, Result> = (job: Job) => Promise<Result>;

/** No more workers than this for one question. */
const MOST_HANDS = 4;
/** Helpers that have had nothing to do for so long are let go. */
const IDLE_MS = 30_000;

/** As many as there are cores, this thread among them. */
export const handsHere = (): number => Math.min(MOST_HANDS, Math.max(1, navigator.hardwareConcurrency || 1));

/** How many workers help one that goes on while one edits: the page itself needs a core, too. */
export const helperCount = (cores: number): number => Math.min(MOST_HANDS, Math.max(1, cores - 1)) - 1;

/**
 * Does jobs with several workers: each takes the next job as soon as it is free.
 * @param isAwaited once it says no, no further job is begun
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

/** A worker as a hand: it answers every message with one, in order. */
export function handOf<Job, Result>(worker: Worker): Hand<Job, Result> {
  const waiting: ((result: Result) => void)[] = [];
  worker.addEventListener('message', ({ data }: MessageEvent<Result>) => waiting.shift()?.(data));
  return (job) =>
    new Promise((resolve) => {
      waiting.push(resolve);
      worker.postMessage(job);
    });
}

interface Helper<Job, Result> {
  hand: Hand<Job, Result>;
  worker: Worker;
  /** Lets it go. */
  timer?: ReturnType<typeof setTimeout>;
}

/** Workers that help this thread, lent to one question after another. */
export interface Helpers<Job, Result> {
  /** As many as make sense here, idle ones first. */
  lend(): Hand<Job, Result>[];
  giveBack(hands: readonly Hand<Job, Result>[]): void;
}

/** @param make starts a worker that answers every message with one */
export function helpersBy<Job, Result>(make: () => Worker): Helpers<Job, Result> {
  const idle: Helper<Job, Result>[] = [];
  const lent = new Map<Hand<Job, Result>, Helper<Job, Result>>();
  return {
    lend: () =>
      Array.from({ length: handsHere() - 1 }, () => {
        let helper = idle.pop();
        clearTimeout(helper?.timer);
        if (!helper) {
          const worker = make();
          helper = { worker, hand: handOf(worker) };
        }
        lent.set(helper.hand, helper);
        return helper.hand;
      }),
    giveBack(hands) {
      for (const hand of hands) {
        const helper = lent.get(hand);
        if (!helper) continue;
        lent.delete(hand);
        idle.push(helper);
        helper.timer = setTimeout(() => {
          idle.splice(idle.indexOf(helper), 1);
          helper.worker.terminate();
        }, IDLE_MS);
      }
    },
  };
}
