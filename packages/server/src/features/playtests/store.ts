import type { GameEvent } from '@stadion/core/exchange/contract';
import { and, asc, desc, eq, gt, inArray, lt, sql, sum } from 'drizzle-orm';
import type { Database, Transaction } from '../../db/client.ts';
import { gameEventCounts, gameEvents } from '../../db/schema.ts';

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

/** Limit of the rows in one statement: SQLite takes 32,766 values, and a row has seven. */
const ROWS_AT_ONCE = 4000;

const { projectId, type, at, slot, source, id } = gameEvents;

const COUNTED = ['events', 'attempts', 'kept', 'characters'] as const;

/** Additions to the counts of one day. */
type Change = typeof gameEventCounts.$inferInsert;

/** Length of a day in the text of a time. */
const DAY_LENGTH = 10;

/** Sums changes by project and day. */
function summed(changes: readonly Change[]): Change[] {
  const sums = new Map<string, Change>();
  for (const change of changes) {
    const key = `${change.day} ${change.projectId}`;
    const sum = sums.get(key);
    if (!sum) sums.set(key, { ...change });
    else for (const name of COUNTED) sum[name] += change[name];
  }
  return [...sums.values()];
}

/** Adds to the counts. @param changes at most as many as rows are written at once */
async function changeCounts(db: Transaction, changes: readonly Change[]): Promise<void> {
  if (changes.length === 0) return;
  await db
    .insert(gameEventCounts)
    .values(summed(changes))
    .onConflictDoUpdate({
      target: [gameEventCounts.projectId, gameEventCounts.day],
      set: Object.fromEntries(
        COUNTED.map((name) => [name, sql`${gameEventCounts[name]} + ${sql.raw(`excluded.${name}`)}`]),
      ),
    });
}

/** Length of an event's data, as the database counts characters. */
const characters = sql<number>`length(${gameEvents.data})`;

/** A kept event as far as it is counted and recognized. */
type Kept = Pick<typeof gameEvents.$inferSelect, 'projectId' | 'source' | 'id' | 'at' | 'type'> & {
  characters: number;
};

/** Keeps events that are not known yet, and counts them. @returns the new ones */
export async function insertEvents(db: Transaction, rows: readonly Row[]): Promise<Kept[]> {
  const fresh: Kept[] = [];
  for (let from = 0; from < rows.length; from += ROWS_AT_ONCE) {
    const kept = await db
      .insert(gameEvents)
      .values(rows.slice(from, from + ROWS_AT_ONCE))
      .onConflictDoNothing()
      .returning({ projectId, source, id, at, type, characters });
    fresh.push(...kept);
    await changeCounts(
      db,
      kept.map((row) => ({
        ...{ projectId: row.projectId, day: row.at.slice(0, DAY_LENGTH), events: 1 },
        ...{ attempts: row.type === 'attempt.ended' ? 1 : 0, kept: 1, characters: row.characters },
      })),
    );
  }
  return fresh;
}

/** Limits of the events that a project keeps. */
export interface EventLimits {
  events: number;
  /** Length of their data together. */
  characters: number;
}

/** Removes the oldest events beyond the limits, a portion at a time; their counts stay. @returns the number removed */
export async function removeOldest(db: Transaction, project: string, limits: EventLimits): Promise<number> {
  const [now] = await db
    .select({ kept: sum(gameEventCounts.kept), characters: sum(gameEventCounts.characters) })
    .from(gameEventCounts)
    .where(eq(gameEventCounts.projectId, project));
  const kept = Number(now?.kept ?? 0);
  const length = Number(now?.characters ?? 0);
  const share = length > limits.characters ? 1 - limits.characters / length : 0;
  const many = Math.min(ROWS_AT_ONCE, Math.max(kept - limits.events, Math.ceil(kept * share)));
  if (many <= 0) return 0;
  const oldest = db
    .select({ row: sql`rowid` })
    .from(gameEvents)
    .where(eq(projectId, project))
    .orderBy(asc(at), asc(source), asc(id))
    .limit(many);
  const removed = await db
    .delete(gameEvents)
    .where(inArray(sql`rowid`, oldest))
    .returning({ at, characters });
  const changes = removed.map((row) => ({
    ...{ projectId: project, day: row.at.slice(0, DAY_LENGTH), events: 0, attempts: 0 },
    ...{ kept: -1, characters: -row.characters },
  }));
  await changeCounts(db, changes);
  await joinEmptied(
    db,
    project,
    removed.reduce((last, row) => (row.at > last ? row.at : last), '').slice(0, DAY_LENGTH),
  );
  return removed.length;
}

/** The day of the counts of all days whose events were removed: before every real one. */
const LONG_AGO = '';

/** Joins the counts of days before a day that keep no event: a game whose clock is wrong cannot fill the table. */
async function joinEmptied(db: Transaction, project: string, before: string): Promise<void> {
  const { day, kept, events, attempts } = gameEventCounts;
  const emptied = await db
    .delete(gameEventCounts)
    .where(and(eq(gameEventCounts.projectId, project), lt(day, before), gt(day, LONG_AGO), eq(kept, 0)))
    .returning({ events, attempts });
  await changeCounts(
    db,
    emptied.map((row) => ({ ...row, projectId: project, day: LONG_AGO, kept: 0, characters: 0 })),
  );
}

/** How many events came in all, and how many attempts ended on a day or later. */
export async function countEvents(
  db: Database,
  project: string,
  since: string,
): Promise<{ events: number; attemptsSince: number }> {
  const { attempts, events, day } = gameEventCounts;
  const [all] = await db
    .select({
      events: sum(events),
      attempts: sql<number>`sum(case when ${day} >= ${since} then ${attempts} else 0 end)`,
    })
    .from(gameEventCounts)
    .where(eq(gameEventCounts.projectId, project));
  return { events: Number(all?.events ?? 0), attemptsSince: Number(all?.attempts ?? 0) };
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

/** Names a row by its place in the order of time. */
export type EventPlace = Pick<Required<Row>, 'at' | 'source' | 'id'>;

/** The rows after a place in the order of time, from the first one where none is given. @param limit of their number */
export const eventsAfter = (db: Database, project: string, after: EventPlace | undefined, limit: number) =>
  db
    .select()
    .from(gameEvents)
    .where(
      and(
        eq(projectId, project),
        after ? sql`(${at}, ${source}, ${id}) > (${after.at}, ${after.source}, ${after.id})` : undefined,
      ),
    )
    .orderBy(asc(at), asc(source), asc(id))
    .limit(limit);
