/** Turns a document of one version into the next. Frozen once shipped. */
export interface Upgrade {
  from: number;
  /** @returns a new document; the given one is not changed */
  up(document: Record<string, unknown>): Record<string, unknown>;
}

/** One entry per version left behind, in order. Version 1 is the first. */
export const UPGRADES: readonly Upgrade[] = [];

/**
 * Bring a document up to a version, step by step.
 *
 * @returns the document and the versions passed through, or the version that no upgrade leads on from
 */
export function upgrade(
  document: Record<string, unknown>,
  to: number,
  upgrades: readonly Upgrade[] = UPGRADES,
): { document: Record<string, unknown> } | { stuckAt: unknown } {
  let current = document;
  while (current['version'] !== to) {
    const next = upgrades.find((entry) => entry.from === current['version']);
    if (!next) return { stuckAt: current['version'] };
    current = { ...next.up(current), version: next.from + 1 };
  }
  return { document: current };
}
