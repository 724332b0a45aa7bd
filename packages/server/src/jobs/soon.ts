import type { Logger } from 'pino';

/** Work about a project that is done once for all that asks for it within a moment, and never twice at the same time. */
export class Soon {
  readonly #work: (projectId: string) => Promise<void>;
  readonly #waitMs: number;
  readonly #log: Logger;
  readonly #due = new Map<string, NodeJS.Timeout>();
  readonly #running = new Set<string>();

  constructor(work: (projectId: string) => Promise<void>, waitMs: number, log: Logger) {
    this.#work = work;
    this.#waitMs = waitMs;
    this.#log = log;
  }

  ask(projectId: string): void {
    if (this.#due.has(projectId)) return;
    this.#due.set(
      projectId,
      setTimeout(() => void this.#run(projectId), this.#waitMs),
    );
  }

  async #run(projectId: string): Promise<void> {
    if (this.#running.has(projectId)) return void this.#due.get(projectId)?.refresh();
    this.#due.delete(projectId);
    this.#running.add(projectId);
    try {
      await this.#work(projectId);
    } catch (error) {
      this.#log.error({ err: error, project: projectId }, 'listeners could not be told');
    } finally {
      this.#running.delete(projectId);
    }
  }

  close(): void {
    for (const timer of this.#due.values()) clearTimeout(timer);
    this.#due.clear();
  }
}
