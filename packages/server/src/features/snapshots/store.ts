import type { SnapshotSummary } from '@stadion/core/exchange/contract';
import { and, asc, count, eq } from 'drizzle-orm';
import type { Database, Transaction } from '../../db/client.ts';
import { snapshots } from '../../db/schema.ts';

type Db = Database | Transaction;

/** A kept document, as it was written: of any version that there has been. */
export interface StoredSnapshot extends SnapshotSummary {
  document: unknown;
}

const { id, name, revision, at } = snapshots;

export const listSnapshots = (db: Db, projectId: string): Promise<SnapshotSummary[]> =>
  db
    .select({ id, name, revision, at })
    .from(snapshots)
    .where(eq(snapshots.projectId, projectId))
    .orderBy(asc(snapshots.at));

export async function countSnapshots(db: Db, projectId: string): Promise<number> {
  const [row] = await db.select({ many: count() }).from(snapshots).where(eq(snapshots.projectId, projectId));
  return row?.many ?? 0;
}

export async function readSnapshot(db: Db, projectId: string, snapshotId: string): Promise<StoredSnapshot | undefined> {
  const [row] = await db
    .select()
    .from(snapshots)
    .where(and(eq(snapshots.projectId, projectId), eq(snapshots.id, snapshotId)));
  return (
    row && {
      id: row.id,
      name: row.name,
      revision: row.revision,
      at: row.at,
      document: JSON.parse(row.document) as unknown,
    }
  );
}

export async function insertSnapshot(db: Db, projectId: string, snapshot: StoredSnapshot): Promise<void> {
  await db.insert(snapshots).values({ ...snapshot, projectId, document: JSON.stringify(snapshot.document) });
}

/** @returns was there one? */
export async function renameSnapshot(db: Db, projectId: string, snapshotId: string, name: string): Promise<boolean> {
  const rows = await db
    .update(snapshots)
    .set({ name })
    .where(and(eq(snapshots.projectId, projectId), eq(snapshots.id, snapshotId)))
    .returning({ id });
  return rows.length > 0;
}

/** @returns was there one? */
export async function deleteSnapshot(db: Db, projectId: string, snapshotId: string): Promise<boolean> {
  const gone = await db
    .delete(snapshots)
    .where(and(eq(snapshots.projectId, projectId), eq(snapshots.id, snapshotId)))
    .returning({ id });
  return gone.length > 0;
}
