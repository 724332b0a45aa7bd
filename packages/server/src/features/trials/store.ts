import type { Forecast, Tally } from '@stadion/core/forecast/trials';
import { eq, inArray, type AnyColumn } from 'drizzle-orm';
import type { Database, Transaction } from '../../db/client.ts';
import { forecasts, trialParts } from '../../db/schema.ts';
import { anyText, readJson } from '../../db/wholeText.ts';

/** Number of values that SQLite takes in one query at least. */
const AT_ONCE = 400;

/** Reads the values stored under keys. Damaged values are skipped; they are computed again. */
async function readByKey<Value>(
  db: Database,
  table: typeof forecasts | typeof trialParts,
  column: AnyColumn,
  keys: readonly string[],
): Promise<Map<string, Value>> {
  const found = new Map<string, Value>();
  for (let i = 0; i < keys.length; i += AT_ONCE) {
    const rows = await db
      .select({ key: table.key, text: anyText(column) })
      .from(table)
      .where(inArray(table.key, keys.slice(i, i + AT_ONCE)));
    for (const { key, text } of rows) {
      const value = readJson(text);
      if (value !== undefined) found.set(key, value as Value);
    }
  }
  return found;
}

export const readForecasts = (db: Database, keys: readonly string[]): Promise<Map<string, Forecast>> =>
  readByKey(db, forecasts, forecasts.forecast, keys);

/** Stores an answer; what was played of it is no longer needed. */
export async function saveForecast(db: Transaction, key: string, forecast: Forecast, at: string): Promise<void> {
  await db.delete(trialParts).where(eq(trialParts.key, key));
  await db
    .insert(forecasts)
    .values({ key, forecast: JSON.stringify(forecast), at })
    .onConflictDoNothing();
}

/** Reads the progress of unanswered questions, by key. */
export const readParts = (db: Database, keys: readonly string[]): Promise<Map<string, Tally>> =>
  readByKey(db, trialParts, trialParts.tally, keys);

export async function savePart(db: Transaction, key: string, tally: Tally, at: string): Promise<void> {
  const text = JSON.stringify(tally);
  await db
    .insert(trialParts)
    .values({ key, tally: text, at })
    .onConflictDoUpdate({ target: trialParts.key, set: { tally: text, at } });
}
