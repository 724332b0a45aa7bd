import type { StoredProject } from './store.ts';

/** A document is written as a whole once edits have rested so long, ms. */
const REST_MS = 1500;
/** Number of unwritten edits after which the document is written at once. */
const MOST_EDITS = 200;

/**
 * Writes documents as a whole now and then: every edit is stored as such at once, and the text of a large document takes
 * longer to write than all the rest.
 */
export class DocumentWriter {
  readonly #write: (project: StoredProject) => Promise<void>;
  readonly #waiting = new Map<string, { project: StoredProject; timer: NodeJS.Timeout }>();

  constructor(write: (project: StoredProject) => Promise<void>) {
    this.#write = write;
  }

  /** A project has been edited. */
  edited(project: StoredProject): void {
    const { id, revision, documentRevision } = project;
    clearTimeout(this.#waiting.get(id)?.timer);
    const wait = revision - documentRevision >= MOST_EDITS ? 0 : REST_MS;
    const timer = setTimeout(() => {
      this.#waiting.delete(id);
      // A failed write is repeated with the next edit: the edits themselves are stored.
      this.#write(project).catch(() => undefined);
    }, wait);
    timer.unref();
    this.#waiting.set(id, { project, timer });
  }

  /** Writes everything that waits. */
  async close(): Promise<void> {
    const waiting = [...this.#waiting.values()];
    this.#waiting.clear();
    for (const { project, timer } of waiting) {
      clearTimeout(timer);
      await this.#write(project).catch(() => undefined);
    }
  }
}
