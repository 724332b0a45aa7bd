import type { ProjectDocument } from '../model/index.ts';

/** Collections whose entries are told one by one: an edit touches few of many. */
const TOLD_BY_ENTRY = ['levels', 'slots', 'parameters'] as const;
type ByEntry = (typeof TOLD_BY_ENTRY)[number];
const isByEntry = (name: string): name is ByEntry => (TOLD_BY_ENTRY as readonly string[]).includes(name);

/** What is different in a document, for whoever has the one before. Plain data. */
export interface DocumentChanges {
  /** Parts as they are now; undefined for what is gone. */
  parts: Record<string, unknown>;
  /** Entries of large collections as they are now; undefined for what is gone. */
  entries: Record<string, Record<string, unknown>>;
}

/** What differs between two documents, by the objects they are made of: what an edit does not touch stays the same object. */
export function changesBetween(before: ProjectDocument | undefined, after: ProjectDocument): DocumentChanges {
  const changes: DocumentChanges = { parts: {}, entries: {} };
  const old = (before ?? {}) as Readonly<Record<string, unknown>>;
  for (const name of new Set([...Object.keys(old), ...Object.keys(after)])) {
    const now = (after as Readonly<Record<string, unknown>>)[name];
    if (now === old[name]) continue;
    if (!isByEntry(name) || old[name] === undefined) {
      changes.parts[name] = now;
      continue;
    }
    const was = old[name] as Readonly<Record<string, unknown>>;
    const is = now as Readonly<Record<string, unknown>>;
    const ids = new Set([...Object.keys(was), ...Object.keys(is)]);
    changes.entries[name] = Object.fromEntries(
      [...ids].flatMap((id) => (was[id] === is[id] ? [] : [[id, is[id]] as const])),
    );
  }
  return changes;
}

/** The document after changes. What they do not name stays the same object. */
export function withChanges(before: ProjectDocument | undefined, { parts, entries }: DocumentChanges): ProjectDocument {
  const document: Record<string, unknown> = { ...before };
  for (const [name, now] of Object.entries(parts)) {
    if (now === undefined) delete document[name];
    else document[name] = now;
  }
  for (const [name, changed] of Object.entries(entries)) {
    const collection = { ...(document[name] as Record<string, unknown>) };
    for (const [id, now] of Object.entries(changed)) {
      if (now === undefined) delete collection[id];
      else collection[id] = now;
    }
    document[name] = collection;
  }
  return document as unknown as ProjectDocument;
}
