import type { StoredProject } from './store.ts';

/** So many documents are kept in memory: each may be some megabytes. */
const MOST_OPEN = 12;

/** Documents at their latest revisions, so that neither an edit nor a question reads and parses the whole text again. */
export class OpenProjects {
  readonly #open = new Map<string, StoredProject>();

  /** The document at a revision, if it is the one that is kept. */
  at(id: string, revision: number): StoredProject | undefined {
    const project = this.#open.get(id);
    return project?.revision === revision ? project : undefined;
  }

  keep(project: StoredProject): void {
    this.#open.delete(project.id);
    this.#open.set(project.id, project);
    const oldest = this.#open.keys().next().value;
    if (this.#open.size > MOST_OPEN && oldest !== undefined) this.#open.delete(oldest);
  }
}
