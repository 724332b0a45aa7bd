/** Turns a document of one version into the next. Frozen once shipped. */
export interface Upgrade {
  from: number;
  /** @returns a new document; the given one is not changed */
  up(document: Record<string, unknown>): Record<string, unknown>;
}
