/** What does a job: this thread, or a worker. */
type Hand<Job, Result> = (job: Job) => Promise<Result>;

/** No more workers than this for one question. */
const MOST_HANDS = 4;

/** As many as there are cores, this thread among them. */
export const handsHere = (): number => Math.min(MOST_HANDS, Math.max(1, navigator.hardwareConcurrency || 1));

/**
 * Does jobs with several hands: each takes the next one as soon as it is free.
 *
 * @param isAwaited once it says no, no further job is begun
 * @returns what came of each job, in their order; with gaps where jobs were not begun
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
