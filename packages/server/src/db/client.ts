import { createClient, type Client } from '@libsql/client';
import { drizzle, type LibSQLDatabase } from 'drizzle-orm/libsql';
import { migrate } from 'drizzle-orm/libsql/migrator';
import fs from 'node:fs';
import path from 'node:path';
import PQueue from 'p-queue';
import * as schema from './schema.ts';

export type Database = LibSQLDatabase<typeof schema>;
export type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0];

/** The open database. */
export interface Storage {
  db: Database;
  /** All writes go through here, one after the other: concurrent transactions on SQLite only get in each other's way. */
  write<T>(work: (transaction: Transaction) => Promise<T>): Promise<T>;
  close(): Promise<void>;
}

/** Beside the sources, also when run from the build. */
const MIGRATIONS = path.join(import.meta.dirname, '../../src/db/migrations');
const BUSY_TIMEOUT_MS = 5000;

function isUpToDate(client: Client): Promise<boolean> {
  const journal = JSON.parse(fs.readFileSync(path.join(MIGRATIONS, 'meta/_journal.json'), 'utf8')) as {
    entries: unknown[];
  };
  return client.execute('select count(*) as done from __drizzle_migrations').then(
    (result) => Number(result.rows[0]?.['done']) >= journal.entries.length,
    () => false,
  );
}

/**
 * Open the database file, bring it up to date, and keep a copy of it beside it before any migration touches it.
 *
 * @param file path; its folder is made when missing
 * @param now for the copy's name
 */
export async function openStorage(file: string, now: () => Date): Promise<Storage> {
  fs.mkdirSync(path.dirname(file), { recursive: true });
  const existed = fs.existsSync(file);
  const client = createClient({ url: `file:${file}`, timeout: BUSY_TIMEOUT_MS });
  await client.execute('pragma journal_mode = wal');
  const db = drizzle(client, { schema });
  if (!(await isUpToDate(client))) {
    if (existed) {
      await client.execute('pragma wal_checkpoint(truncate)');
      fs.copyFileSync(file, `${file}.before-${now().toISOString().replaceAll(/[:.]/g, '-')}`);
    }
    await migrate(db, { migrationsFolder: MIGRATIONS });
  }
  const queue = new PQueue({ concurrency: 1 });
  return {
    db,
    write: async <T>(work: (transaction: Transaction) => Promise<T>) =>
      (await queue.add(() => db.transaction(work))) as T,
    close: async () => {
      await queue.onIdle();
      client.close();
    },
  };
}
