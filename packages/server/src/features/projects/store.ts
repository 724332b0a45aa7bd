import type { Edit, ProjectSummary, Revision } from '@stadion/core/contract';
import type { PatchOperation } from '@stadion/core/patch';
import type { ProjectDocument } from '@stadion/core/model';
import { and, asc, desc, eq, gt, inArray } from 'drizzle-orm';
import type { Database, Transaction } from '../../db/client.ts';
import { projects, revisions } from '../../db/schema.ts';

type Db = Database | Transaction;

/** A project's document at its revision. */
export interface StoredProject {
  id: string;
  revision: number;
  document: ProjectDocument;
}

const toRevision = (row: typeof revisions.$inferSelect): Revision => ({
  revision: row.revision,
  edit: { id: row.editId, ...(JSON.parse(row.edit) as Omit<Edit, 'id'>) },
  inverse: JSON.parse(row.inverse) as PatchOperation[],
  at: row.at,
});

export async function listProjects(db: Db): Promise<ProjectSummary[]> {
  const { id, name, revision, slots, updatedAt } = projects;
  return db.select({ id, name, revision, slots, updatedAt }).from(projects).orderBy(asc(projects.createdAt));
}

export async function readProject(db: Db, id: string): Promise<StoredProject | undefined> {
  const [row] = await db.select().from(projects).where(eq(projects.id, id));
  return row && { id: row.id, revision: row.revision, document: JSON.parse(row.document) as ProjectDocument };
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

/** Store a document and the revisions that led to it. */
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
      document: JSON.stringify(document),
      revision: last.revision,
      slots: Object.keys(document.slots).length,
      updatedAt: last.at,
    })
    .where(eq(projects.id, id));
}

export async function revisionsAfter(db: Db, id: string, after: number, limit: number): Promise<Revision[]> {
  const rows = await db
    .select()
    .from(revisions)
    .where(and(eq(revisions.projectId, id), gt(revisions.revision, after)))
    .orderBy(asc(revisions.revision))
    .limit(limit);
  return rows.map(toRevision);
}

/** The latest revisions, oldest first. */
export async function latestRevisions(db: Db, id: string, count: number): Promise<Revision[]> {
  const rows = await db
    .select()
    .from(revisions)
    .where(eq(revisions.projectId, id))
    .orderBy(desc(revisions.revision))
    .limit(count);
  return rows.toReversed().map(toRevision);
}

export async function knownEdits(db: Db, id: string, editIds: readonly string[]): Promise<string[]> {
  const rows = await db
    .select({ editId: revisions.editId })
    .from(revisions)
    .where(and(eq(revisions.projectId, id), inArray(revisions.editId, [...editIds])));
  return rows.map((row) => row.editId);
}
