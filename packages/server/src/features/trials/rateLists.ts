import type { ForecastEvent } from '@stadion/core/exchange/contract';
import type { Logger } from 'pino';

/** Rates that change close together are written once, after so long. */
const SETTLE_MS = 1000;

type Rates = Map<string, number | null>;

/** The clear rates of projects as they are forecast, kept for the list of projects: of the pacer that was asked for last. */
export class RateLists {
  readonly #lists = new Map<string, { pacer: string; rates: Rates }>();
  readonly #timers = new Map<string, ReturnType<typeof setTimeout>>();
  readonly #keep: (projectId: string, rates: readonly (number | null)[]) => Promise<void>;
  readonly #log: Logger;

  constructor(keep: (projectId: string, rates: readonly (number | null)[]) => Promise<void>, log: Logger) {
    this.#keep = keep;
    this.#log = log;
  }

  /** Takes what is known of every slot, in the order of the sequence. */
  begin(projectId: string, pacer: string, entries: readonly ForecastEvent[]): void {
    const before = this.#lists.get(projectId);
    const rates: Rates = new Map(
      entries.map(({ slotId, summary }) => [
        slotId,
        summary ? summary.clearRate : before?.pacer === pacer ? (before.rates.get(slotId) ?? null) : null,
      ]),
    );
    this.#lists.set(projectId, { pacer, rates });
    this.#settle(projectId);
  }

  /** A slot's rate has become known, or better known. */
  put(projectId: string, pacer: string, slotId: string, rate: number): void {
    const list = this.#lists.get(projectId);
    if (list?.pacer !== pacer || !list.rates.has(slotId)) return;
    list.rates.set(slotId, rate);
    this.#settle(projectId);
  }

  /** Writes what has not been written yet. */
  async close(): Promise<void> {
    const waiting = [...this.#timers.keys()];
    for (const timer of this.#timers.values()) clearTimeout(timer);
    this.#timers.clear();
    await Promise.all(waiting.map((projectId) => this.#write(projectId)));
  }

  #settle(projectId: string): void {
    if (this.#timers.has(projectId)) return;
    const timer = setTimeout(() => {
      this.#timers.delete(projectId);
      void this.#write(projectId);
    }, SETTLE_MS);
    timer.unref();
    this.#timers.set(projectId, timer);
  }

  async #write(projectId: string): Promise<void> {
    const list = this.#lists.get(projectId);
    if (!list) return;
    try {
      await this.#keep(projectId, [...list.rates.values()]);
    } catch (error) {
      // The list shows older ones: nothing is lost that could not be asked again.
      this.#log.warn({ err: error }, 'the rates of a project could not be kept');
    }
  }
}
