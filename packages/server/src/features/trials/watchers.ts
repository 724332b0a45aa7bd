import type { Logger } from 'pino';

/** Edits that come closer together than this are answered once. */
const SETTLE_MS = 150;

/** Which pacers' forecasts a project's listeners look at; asks for them again after its edits. */
export class Watchers {
  readonly #refresh: (projectId: string, pacers: readonly string[]) => Promise<void>;
  readonly #log: Logger;
  /** Pacers of each project, and the time of the first request for each. */
  readonly #pacers = new Map<string, Map<string, string>>();
  readonly #settling = new Map<string, NodeJS.Timeout>();

  constructor(refresh: (projectId: string, pacers: readonly string[]) => Promise<void>, log: Logger) {
    this.#refresh = refresh;
    this.#log = log;
  }

  /** @param at an ISO time */
  watch(projectId: string, pacer: string, at: string): void {
    const pacers = this.#pacers.get(projectId) ?? new Map<string, string>();
    if (!pacers.has(pacer)) pacers.set(pacer, at);
    this.#pacers.set(projectId, pacers);
  }

  /** Returns the watched pacers, and the time since when. */
  watched(projectId: string): { pacer: string; at: string }[] {
    return [...(this.#pacers.get(projectId) ?? [])].map(([pacer, at]) => ({ pacer, at }));
  }

  /** Nobody is looked at any more until asked for again. */
  forget(projectId: string): void {
    clearTimeout(this.#settling.get(projectId));
    this.#settling.delete(projectId);
    this.#pacers.delete(projectId);
  }

  changed(projectId: string): void {
    const pacers = this.#pacers.get(projectId);
    if (!pacers) return;
    clearTimeout(this.#settling.get(projectId));
    const refresh = (): void => {
      this.#settling.delete(projectId);
      this.#refresh(projectId, [...pacers.keys()]).catch((error: unknown) =>
        this.#log.error({ err: error }, 'forecasts were not refreshed'),
      );
    };
    this.#settling.set(projectId, setTimeout(refresh, SETTLE_MS));
  }

  close(): void {
    for (const timer of this.#settling.values()) clearTimeout(timer);
    this.#settling.clear();
  }
}
