import type { HandOffSummary } from '@stadion/core/exchange/contract';
import { and, desc, eq } from 'drizzle-orm';
import type { Database, Transaction } from '../../db/client.ts';
import { handOffs } from '../../db/schema.ts';

type Db = Database | Transaction;

const { id, label, revision, at, reason, failed } = handOffs;

/** The latest first. */
export const listHandOffs = (db: Db, projectId: string): Promise<HandOffSummary[]> =>
  db
    .select({ id, label, revision, at, reason, failed })
    .from(handOffs)
    .where(eq(handOffs.projectId, projectId))
    .orderBy(desc(at));

export async function readHandOff(
  db: Db,
  projectId: string,
  handOffId: string,
): Promise<(HandOffSummary & { document: unknown }) | undefined> {
  const [row] = await db
    .select({ id, label, revision, at, reason, failed, document: handOffs.document })
    .from(handOffs)
    .where(and(eq(handOffs.projectId, projectId), eq(id, handOffId)));
  return row && { ...row, document: JSON.parse(row.document) as unknown };
}

export async function insertHandOff(
  db: Db,
  projectId: string,
  handOff: HandOffSummary,
  document: unknown,
): Promise<void> {
  await db.insert(handOffs).values({ ...handOff, projectId, document: JSON.stringify(document) });
}
