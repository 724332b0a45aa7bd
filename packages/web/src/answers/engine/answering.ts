/** Work on a question, a bit at a time. */
export interface Work<Part> {
  /** Does the next bit. @returns false once there is nothing left to do */
  step(): boolean | Promise<boolean>;
  /** Returns the answer until now; undefined while there is none. */
  read(): Part | undefined;
  /** Releases what the work holds; called when it is done, or no longer awaited. */
  end?(): void;
}

/** Intervals of the reports of a job. */
interface Pace {
  /** Time between two reports of the progress, ms. */
  everyMs: number;
  /** Time before the first report, ms. */
  firstMs?: number;
}

/** One sort of question that the engine answers. */
export interface Job<Question, Part extends object> extends Pace {
  /** Begins the work on a question. @param isAwaited returns whether the answer is still awaited */
  begin(question: Question, isAwaited: () => boolean): Work<Part>;
}

/** Lets a waiting message in. */
export const pause = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

/** Answers the questions of one thread, part by part; a later question replaces an earlier one. */
export class Answering {
  #current = 0;

  /** Stops the work on the present question. */
  stop(id: number): void {
    this.#current = id;
  }

  /**
   * Works on a question until it is done, or another one replaces it. Work begins for every question, since later
   * questions may build on it.
   * @param load loads the job
   * @param report receives the parts
   */
  async answer<Question, Part extends object>(
    load: () => Promise<Job<Question, Part>>,
    id: number,
    question: Question,
    report: (part: Part, done: boolean) => void,
  ): Promise<void> {
    this.#current = id;
    const isAwaited = (): boolean => this.#current === id;
    const { begin, everyMs, firstMs = everyMs } = await load();
    const work = begin(question, isAwaited);
    try {
      let reported = performance.now() + firstMs - everyMs;
      while (isAwaited()) {
        const done = !(await work.step());
        if (!isAwaited()) return;
        const now = performance.now();
        const part = done || now - reported > everyMs ? work.read() : undefined;
        if (part) {
          reported = now;
          report(part, done);
        }
        if (done) return;
        await pause();
      }
    } finally {
      work.end?.();
    }
  }
}
