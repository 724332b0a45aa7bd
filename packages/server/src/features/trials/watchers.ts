import type { Logger } from 'pino';

/** Edits that come closer together than this are answered once. */
const SETTLE_MS = 150;

/** Which pacers' forecasts a project's listeners look at; asks for them again after its edits. */
export class Watchers {
  readonly #refresh: (projectId: string, pacers: readonly string[]) => Promise<void>;
  readonly #log: Logger;
  readonly #pacers = new Map<string, Set<string>>();
  readonly #settling = new Map<string, NodeJS.Timeout>();

  constructor(refresh: (projectId: string, pacers: readonly string[]) => Promise<void>, log: Logger) {
    this.#refresh = refresh;
    this.#log = log;
  }

  watch(projectId: string, pacer: string): void {
    const pacers = this.#pacers.get(projectId) ?? new Set<string>();
    this.#pacers.set(projectId, pacers.add(pacer));
  }

  changed(projectId: string): void {
    const pacers = this.#pacers.get(projectId);
    if (!pacers) return;
    clearTimeout(this.#settling.get(projectId));
    const refresh = (): void => {
      this.#settling.delete(projectId);
      this.#refresh(projectId, [...pacers]).catch((error: unknown) =>
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
