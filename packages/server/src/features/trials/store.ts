import type { Forecast, Tally } from '@stadion/core/trials';
import { eq, inArray } from 'drizzle-orm';
import type { Database, Transaction } from '../../db/client.ts';
import { forecasts, trialParts } from '../../db/schema.ts';

/** SQLite takes so many values in one question at the least. */
const AT_ONCE = 400;

export async function readForecasts(db: Database, keys: readonly string[]): Promise<Map<string, Forecast>> {
  const found = new Map<string, Forecast>();
  for (let i = 0; i < keys.length; i += AT_ONCE) {
    const rows = await db
      .select()
      .from(forecasts)
      .where(inArray(forecasts.key, keys.slice(i, i + AT_ONCE)));
    for (const row of rows) found.set(row.key, JSON.parse(row.forecast) as Forecast);
  }
  return found;
}

/** Stores an answer; what was played of it is no longer needed. */
export async function saveForecast(db: Transaction, key: string, forecast: Forecast, at: string): Promise<void> {
  await db.delete(trialParts).where(eq(trialParts.key, key));
  await db
    .insert(forecasts)
    .values({ key, forecast: JSON.stringify(forecast), at })
    .onConflictDoNothing();
}

/** What has been played of questions that are not answered yet, by key. */
export async function readParts(db: Database, keys: readonly string[]): Promise<Map<string, Tally>> {
  const found = new Map<string, Tally>();
  for (let i = 0; i < keys.length; i += AT_ONCE) {
    const rows = await db
      .select()
      .from(trialParts)
      .where(inArray(trialParts.key, keys.slice(i, i + AT_ONCE)));
    for (const row of rows) found.set(row.key, JSON.parse(row.tally) as Tally);
  }
  return found;
}

export async function savePart(db: Transaction, key: string, tally: Tally, at: string): Promise<void> {
  const text = JSON.stringify(tally);
  await db
    .insert(trialParts)
    .values({ key, tally: text, at })
    .onConflictDoUpdate({ target: trialParts.key, set: { tally: text, at } });
}
