import type { StoredProject } from './store.ts';

/** Limit of the levels in memory, about ten kilobytes of text each: many small projects, or a few large ones. */
const MOST_LEVELS = 4000;

/** Least number of levels that a project counts as: it has more than its levels. */
const LEAST_LEVELS = 10;

/** Documents at their latest revisions, so that neither an edit nor a question reads and parses the whole text again. */
export class OpenProjects {
  readonly #open = new Map<string, { project: StoredProject; levels: number }>();
  #levels = 0;

  /** The document at a revision, if it is the one that is kept. */
  at(id: string, revision: number): StoredProject | undefined {
    const found = this.#open.get(id);
    if (found?.project.revision !== revision) return undefined;
    // Looked at last: let go last.
    this.#open.delete(id);
    this.#open.set(id, found);
    return found.project;
  }

  keep(project: StoredProject): void {
    this.#letGo(project.id);
    const levels = Math.max(LEAST_LEVELS, Object.keys(project.document.levels).length);
    this.#open.set(project.id, { project, levels });
    this.#levels += levels;
    for (const id of this.#open.keys()) {
      if (this.#levels <= MOST_LEVELS || id === project.id) return;
      this.#letGo(id);
    }
  }

  #letGo(id: string): void {
    this.#levels -= this.#open.get(id)?.levels ?? 0;
    this.#open.delete(id);
  }
}
