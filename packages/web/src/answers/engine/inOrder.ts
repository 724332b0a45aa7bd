import { pause } from './answering.ts';

/** Workers for numbered parts of a work. Parts are dealt round-robin to this thread and its helpers, always the same way. */
interface Crew<Part> {
  helpers: number;
  /** Does a part in this thread. */
  here(at: number): Part;
  /** Requests a part from a helper; `arrived` receives it. @param helper from 0 */
  ask(helper: number, at: number): void;
}

/** Number of parts that each helper has in advance, so that it never waits for this thread. */
const AHEAD = 2;

/** A work in numbered parts, done by several hands and taken in order: the same as if one had done it. */
export class InOrder<Part> {
  readonly #crew: Crew<Part>;
  readonly #known = new Map<number, Part>();
  /** The part that is taken next, and those that are done here or asked for next. */
  #front = 0;
  #here = 0;
  #asked = 0;
  #wake: (() => void) | undefined;
  #hasEnded = false;

  constructor(crew: Crew<Part>) {
    this.#crew = crew;
  }

  /** A helper has done a part. */
  arrived(at: number, part: Part): void {
    this.#known.set(at, part);
    this.#wake?.();
  }

  /** Nobody waits for the next part any more. */
  end(): void {
    this.#hasEnded = true;
    this.#wake?.();
  }

  /** @returns the next part; undefined once it has ended */
  async take(): Promise<Part | undefined> {
    const { helpers, here } = this.#crew;
    const hands = helpers + 1;
    while (!this.#hasEnded) {
      const until = this.#front + AHEAD * hands;
      for (; this.#asked < until; this.#asked++)
        if (this.#asked % hands !== 0) this.#crew.ask((this.#asked % hands) - 1, this.#asked);
      const part = this.#known.get(this.#front);
      if (part !== undefined) {
        this.#known.delete(this.#front++);
        return part;
      }
      if (this.#here < until) {
        this.#known.set(this.#here, here(this.#here));
        this.#here += hands;
        // Lets messages of helpers arrive.
        if (helpers > 0) await pause();
      } else {
        await new Promise<void>((resolve) => (this.#wake = resolve));
      }
    }
    return undefined;
  }
}
