import { from1 } from './upgrades/from1.ts';
import { from2 } from './upgrades/from2.ts';
import type { Upgrade } from './upgrades/types.ts';

/** One entry per version left behind, in order. */
export const UPGRADES: readonly Upgrade[] = [from1, from2];

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
