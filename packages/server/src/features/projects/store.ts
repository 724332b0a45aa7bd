import type { Edit, ProjectSummary, Revision } from '@stadion/core/exchange/contract';
import { applyPatch, type PatchOperation } from '@stadion/core/basics/patch';
import type { ProjectDocument } from '@stadion/core/document/model';
import { and, asc, desc, eq, gt, inArray, isNotNull, lt, sql, type SQL } from 'drizzle-orm';
import type { Database, Transaction } from '../../db/client.ts';
import { projects, revisions, snapshots } from '../../db/schema.ts';
import { anyText, readJson, wholeText } from '../../db/wholeText.ts';

type Db = Database | Transaction;

/** A project's document at its revision. */
export interface StoredProject {
  id: string;
  revision: number;
  /** The revision that is written as a whole. */
  documentRevision: number;
  document: ProjectDocument;
}

/** Edits read at once to be made again. */
const EDITS_AT_ONCE = 200;

const REVISION = {
  revision: revisions.revision,
  editId: revisions.editId,
  edit: wholeText(revisions.edit),
  inverse: wholeText(revisions.inverse),
  at: revisions.at,
};

const toRevision = (row: Omit<typeof revisions.$inferSelect, 'projectId'>): Revision => ({
  revision: row.revision,
  edit: { id: row.editId, ...(JSON.parse(row.edit) as Omit<Edit, 'id'>) },
  inverse: JSON.parse(row.inverse) as PatchOperation[],
  at: row.at,
});

export async function listProjects(db: Db): Promise<ProjectSummary[]> {
  const { id, revision, slots, binnedAt } = projects;
  const rows = await db
    .select({
      id,
      name: anyText(projects.name),
      revision,
      slots,
      updatedAt: anyText(projects.updatedAt),
      binnedAt,
      rates: anyText(projects.rates),
    })
    .from(projects)
    .orderBy(asc(projects.createdAt));
  return rows.map(({ binnedAt: binned, rates: known, ...row }) => ({
    ...row,
    rates: (readJson(known) ?? []) as (number | null)[],
    ...(binned === null ? {} : { binnedAt: binned }),
  }));
}

/** Puts a project into the bin, or takes it out. @returns whether there is such a project */
export async function setBinned(db: Db, id: string, binnedAt: string | null): Promise<boolean> {
  const rows = await db.update(projects).set({ binnedAt }).where(eq(projects.id, id)).returning({ id: projects.id });
  return rows.length > 0;
}

/** Takes out for good what has been in the bin since before a time, with its history. */
export async function emptyBin(db: Db, before: string): Promise<string[]> {
  const rows = await db
    .select({ id: projects.id })
    .from(projects)
    .where(and(isNotNull(projects.binnedAt), lt(projects.binnedAt, before)));
  const ids = rows.map(({ id }) => id);
  if (ids.length > 0) {
    await db.delete(snapshots).where(inArray(snapshots.projectId, ids));
    await db.delete(revisions).where(inArray(revisions.projectId, ids));
    await db.delete(projects).where(inArray(projects.id, ids));
  }
  return ids;
}

/** Keeps what the slots' clear rates were when they were last forecast. */
export async function writeRates(db: Db, id: string, rates: readonly (number | null)[]): Promise<void> {
  await db
    .update(projects)
    .set({ rates: JSON.stringify(rates) })
    .where(eq(projects.id, id));
}

/** The text of a project's document, of whichever revision it is. */
export async function readText(db: Db, id: string): Promise<{ name: string; document: string } | undefined> {
  const [row] = await db
    .select({ name: anyText(projects.name), document: anyText(projects.document) })
    .from(projects)
    .where(eq(projects.id, id));
  return row;
}

/** A project at its latest revision: its document as it was last written, with the edits since. @throws where it cannot be read */
export async function readProject(db: Db, id: string): Promise<StoredProject | undefined> {
  const { revision: latest, documentRevision: written } = projects;
  const [row] = await db
    .select({ revision: latest, documentRevision: written, document: wholeText(projects.document) })
    .from(projects)
    .where(eq(projects.id, id));
  if (!row) return undefined;
  const { revision, documentRevision } = row;
  let document = JSON.parse(row.document) as ProjectDocument;
  for (let at = documentRevision; at < revision;) {
    const next = await revisionsAfter(db, id, at, EDITS_AT_ONCE);
    if (next.length === 0) throw new Error(`Revision ${at + 1} is missing.`);
    for (const { edit } of next) document = applyPatch(document, edit.patch);
    at += next.length;
  }
  return { id, revision, documentRevision, document };
}

/** The revision that a project is at; undefined where there is no such project. */
export async function readRevision(db: Db, id: string): Promise<number | undefined> {
  const [row] = await db.select({ revision: projects.revision }).from(projects).where(eq(projects.id, id));
  return row?.revision;
}

export async function insertProject(db: Db, id: string, document: ProjectDocument, at: string): Promise<void> {
  await db.insert(projects).values({
    id,
    name: document.name,
    document: JSON.stringify(document),
    revision: 0,
    slots: Object.keys(document.slots).length,
    createdAt: at,
    updatedAt: at,
  });
}

/** Store the revisions that led to a document. The document itself is written by `writeDocument`, now and then. */
export async function appendRevisions(
  db: Db,
  id: string,
  document: ProjectDocument,
  added: readonly Revision[],
): Promise<void> {
  const last = added.at(-1);
  if (!last) return;
  await db.insert(revisions).values(
    added.map(({ revision, edit: { id: editId, ...edit }, inverse, at }) => ({
      projectId: id,
      revision,
      editId,
      edit: JSON.stringify(edit),
      inverse: JSON.stringify(inverse),
      at,
    })),
  );
  await db
    .update(projects)
    .set({
      name: document.name,
      revision: last.revision,
      slots: Object.keys(document.slots).length,
      updatedAt: last.at,
    })
    .where(eq(projects.id, id));
}

/** Write a document as a whole. @param revision that it is of */
export async function writeDocument(db: Db, id: string, document: ProjectDocument, revision: number): Promise<void> {
  await db
    .update(projects)
    .set({ document: JSON.stringify(document), documentRevision: revision })
    .where(and(eq(projects.id, id), lt(projects.documentRevision, revision)));
}

/** Limit of the revisions that are read and sent at once, bytes; at least one revision is sent. */
const MOST_BYTES = 4_000_000;

/** How many of some revisions, in their order, are not too heavy together. */
function howMany(sizes: readonly { bytes: number }[]): number {
  let bytes = 0;
  const beyond = sizes.findIndex((size, index) => (bytes += size.bytes) > MOST_BYTES && index > 0);
  return beyond < 0 ? sizes.length : beyond;
}

const bytesOf = sql<number>`length(${revisions.edit}) + length(${revisions.inverse})`;

/** Returns revisions in an order: at most `count`, and together no heavier than the limit. */
async function readSome(db: Db, where: SQL | undefined, order: SQL, limit: number): Promise<Revision[]> {
  const sizes = await db.select({ bytes: bytesOf }).from(revisions).where(where).orderBy(order).limit(limit);
  const rows = await db.select(REVISION).from(revisions).where(where).orderBy(order).limit(howMany(sizes));
  return rows.map(toRevision);
}

/** Returns the revisions after one, oldest first: at most `count`, and together no heavier than the limit. */
export function revisionsAfter(db: Db, id: string, after: number, limit: number): Promise<Revision[]> {
  return readSome(db, and(eq(revisions.projectId, id), gt(revisions.revision, after)), asc(revisions.revision), limit);
}

/** Returns the latest revisions, oldest first: at most `count`, and together no heavier than the limit. */
export async function latestRevisions(db: Db, id: string, count: number): Promise<Revision[]> {
  return (await readSome(db, eq(revisions.projectId, id), desc(revisions.revision), count)).toReversed();
}

/** The id of the edit that made a revision. */
export async function editIdAt(db: Db, id: string, revision: number): Promise<string | undefined> {
  const [row] = await db
    .select({ editId: revisions.editId })
    .from(revisions)
    .where(and(eq(revisions.projectId, id), eq(revisions.revision, revision)));
  return row?.editId;
}

export async function knownEdits(db: Db, id: string, editIds: readonly string[]): Promise<string[]> {
  const rows = await db
    .select({ editId: revisions.editId })
    .from(revisions)
    .where(and(eq(revisions.projectId, id), inArray(revisions.editId, [...editIds])));
  return rows.map((row) => row.editId);
}
