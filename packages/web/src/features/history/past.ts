import type { Revision } from '@stadion/core/exchange/contract';
import type { ProjectDocument } from '@stadion/core/document/model';
import { applyPatch, type PatchOperation } from '@stadion/core/basics/patch';

/** An edit as the history lists it: acknowledged, or still on its way. */
export interface PastEdit {
  id: string;
  label: string;
  patch: readonly PatchOperation[];
  inverse: readonly PatchOperation[];
  by?: string | undefined;
  /** When it reached the server; undefined while it is on its way. */
  at?: string | undefined;
  /** Undefined while it is on its way. */
  revision?: number | undefined;
}

export const pastOf = ({ edit, inverse, at, revision }: Revision): PastEdit => ({
  id: edit.id,
  label: edit.label,
  patch: edit.patch,
  by: edit.by,
  inverse,
  at,
  revision,
});

/** The document as it was after one of the latest edits. @param later the edits that came after it, oldest first */
export const documentAfter = (document: ProjectDocument, later: readonly PastEdit[]): ProjectDocument =>
  later.toReversed().reduce((now, { inverse }) => applyPatch(now, inverse), document);

/** Edits of one person in one minute. */
export interface PastMinute {
  /** Names it among the others. */
  key: string;
  at: string | undefined;
  by: string | undefined;
  edits: PastEdit[];
}

/** Newest first, grouped by minute and person. @param edits oldest first */
export function byMinutes(edits: readonly PastEdit[]): PastMinute[] {
  const minutes: PastMinute[] = [];
  for (const edit of edits.toReversed()) {
    const minute = edit.at?.slice(0, 16) ?? 'now';
    const last = minutes.at(-1);
    if (last && (last.at?.slice(0, 16) ?? 'now') === minute && last.by === edit.by) last.edits.push(edit);
    else minutes.push({ key: edit.id, at: edit.at, by: edit.by, edits: [edit] });
  }
  return minutes;
}
