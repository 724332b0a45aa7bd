/**
 * A place in a project's history: a revision, and the id of the edit that made it where it is known. The id tells histories
 * apart of which one was put back from a copy.
 */
export interface HistoryPlace {
  revision: number;
  editId?: string | undefined;
}

/** The place as `ETag` and `If-Match` name it. @example historyTag({ revision: 3, editId: 'k3-clock' }) // '"3-k3-clock"' */
export const historyTag = ({ revision, editId }: HistoryPlace): string =>
  editId === undefined ? `"${revision}"` : `"${revision}-${editId}"`;

/** The place that such a tag names, quoted or not; undefined where it names none. */
export function placeOfTag(tag: string): HistoryPlace | undefined {
  const named = /^"?(\d{1,12})(?:-([\w-]{8,40}))?"?$/.exec(tag.trim());
  return named ? { revision: Number(named[1]), editId: named[2] } : undefined;
}
