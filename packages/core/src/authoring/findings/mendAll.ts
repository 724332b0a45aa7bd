import { applyPatch, patchBetween, type PatchOperation } from '../../basics/patch/index.ts';
import type { ProjectDocument } from '../../document/model/index.ts';
import type { Finding } from './finding.ts';

/** Is there something at a place already? What adds to it would write over it. */
function isTaken(document: unknown, path: string): boolean {
  let value: unknown = document;
  for (const part of path.split('/').slice(1)) {
    if (value === null || typeof value !== 'object') return false;
    value = (value as Record<string, unknown>)[part.replaceAll('~1', '/').replaceAll('~0', '~')];
  }
  return value !== undefined;
}

/** Entries at the end of a list go first, so that the places of the others stay. */
const fromTheEnd = (one: Finding, other: Finding): number =>
  other.path.localeCompare(one.path, 'en', { numeric: true });

/**
 * Many mends as one edit. A mend that another one of them stands in the way of is left for the next time.
 *
 * @returns the edit, and which findings it mends
 */
export function mendAll(
  document: ProjectDocument,
  findings: readonly Finding[],
): { patch: PatchOperation[]; mended: Finding[] } {
  let after = document;
  const mended: Finding[] = [];
  for (const finding of findings.toSorted(fromTheEnd)) {
    const { mend } = finding;
    const added = mend?.patch.filter(({ op, path }) => op === 'add' && /^\/[^/]+\/[^/]+$/.test(path)) ?? [];
    if (!mend || added.some(({ path }) => isTaken(after, path))) continue;
    try {
      after = applyPatch(after, mend.patch);
      mended.push(finding);
    } catch {
      // Another mend has removed the subject of this one.
    }
  }
  return { patch: mended.length === 0 ? [] : patchBetween(document, after), mended };
}
