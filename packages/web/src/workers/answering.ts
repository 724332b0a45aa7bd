/** Work on a question, a bit at a time. */
export interface Work<Part> {
  /** Does the next bit. @returns false once there is nothing left to do */
  step(): boolean | Promise<boolean>;
  /** Returns the answer until now; undefined while there is none. */
  read(): Part | undefined;
  /** It is over: done, or not waited for any more. */
  end?(): void;
}

/** In place of a question: nobody waits for the last one any more. */
export interface Stop {
  id: number;
  stop: true;
}

/** Lets a waiting message in. */
export const pause = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

/**
 * Answers the questions that come to a worker, part by part, and reports the progress. A later question replaces
 * an earlier one.
 * @param begin begins the work on a question; its second argument returns whether the answer is still awaited
 * @param everyMs time between two reports of the progress
 * @param firstMs time before the first report
 */
export function answering<Request extends { id: number }, Part extends object>(
  begin: (request: Request, isAwaited: () => boolean) => Work<Part>,
  everyMs: number,
  firstMs = everyMs,
): void {
  async function workOn(
    work: Work<Part>,
    isAwaited: () => boolean,
    tell: (part: Part, done: boolean) => void,
  ): Promise<void> {
    let told = performance.now() + firstMs - everyMs;
    for (;;) {
      const done = !(await work.step());
      if (!isAwaited()) return;
      const now = performance.now();
      if (done || now - told > everyMs) {
        const part = work.read();
        if (part) {
          told = now;
          tell(part, done);
        }
      }
      if (done) return;
      await pause();
      if (!isAwaited()) return;
    }
  }

  let current = 0;
  addEventListener('message', ({ data }: MessageEvent<Request | Stop>) => {
    const { id } = data;
    current = id;
    if ('stop' in data) return;
    const isAwaited = (): boolean => current === id;
    void (async () => {
      const work = begin(data, isAwaited);
      try {
        await workOn(work, isAwaited, (part, done) => postMessage({ id, done, ...part }));
      } finally {
        work.end?.();
      }
    })();
  });
}
