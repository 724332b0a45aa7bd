import type { Forecast } from '@stadion/core/trials';
import { inArray } from 'drizzle-orm';
import type { Database, Transaction } from '../../db/client.ts';
import { forecasts } from '../../db/schema.ts';

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

export async function saveForecast(db: Transaction, key: string, forecast: Forecast, at: string): Promise<void> {
  await db
    .insert(forecasts)
    .values({ key, forecast: JSON.stringify(forecast), at })
    .onConflictDoNothing();
}
