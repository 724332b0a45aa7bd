import type { GameEvent } from '@stadion/core/contract';
import { and, asc, count, desc, eq, gte } from 'drizzle-orm';
import type { Database, Transaction } from '../../db/client.ts';
import { gameEvents } from '../../db/schema.ts';

type Row = typeof gameEvents.$inferInsert;

/** A row of the table. @param came when it came, for events that do not say when they happened */
export const rowOf = (projectId: string, { source, id, type, time, data }: GameEvent, came: string): Row => ({
  projectId,
  source,
  id,
  type,
  slot: data.slot ?? null,
  at: time === undefined ? came : new Date(time).toISOString(),
  data: JSON.stringify(data),
});

/** SQLite takes so many values in one statement; a row has seven. */
const ROWS_AT_ONCE = 4000;

/** Keeps events that are not known yet. @returns how many were new, by project */
export async function insertEvents(db: Transaction, rows: readonly Row[]): Promise<Row[]> {
  const fresh: Row[] = [];
  for (let from = 0; from < rows.length; from += ROWS_AT_ONCE) {
    const kept = await db
      .insert(gameEvents)
      .values(rows.slice(from, from + ROWS_AT_ONCE))
      .onConflictDoNothing()
      .returning({ projectId: gameEvents.projectId, source: gameEvents.source, id: gameEvents.id });
    fresh.push(...(kept as Row[]));
  }
  return fresh;
}

const { projectId, type, at, slot } = gameEvents;

/** How many events there are, and how many attempts have ended since a time. */
export async function countEvents(
  db: Database,
  project: string,
  since: string,
): Promise<{ events: number; attemptsSince: number }> {
  const of = eq(projectId, project);
  const [all] = await db.select({ many: count() }).from(gameEvents).where(of);
  const [today] = await db
    .select({ many: count() })
    .from(gameEvents)
    .where(and(of, eq(type, 'attempt.ended'), gte(at, since)));
  return { events: all?.many ?? 0, attemptsSince: today?.many ?? 0 };
}

export async function lastEvent(
  db: Database,
  project: string,
): Promise<{ type: string; slot: string | null; at: string } | undefined> {
  const [row] = await db
    .select({ type, slot, at })
    .from(gameEvents)
    .where(eq(projectId, project))
    .orderBy(desc(at))
    .limit(1);
  return row;
}

/** Rows in the order of time, some at once. @param offset rows passed over */
export const eventsFrom = (db: Database, project: string, offset: number, limit: number) =>
  db
    .select()
    .from(gameEvents)
    .where(eq(projectId, project))
    .orderBy(asc(at), asc(gameEvents.source), asc(gameEvents.id))
    .limit(limit)
    .offset(offset);
