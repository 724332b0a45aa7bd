import { createClient, type Client } from '@libsql/client';
import { drizzle, type LibSQLDatabase } from 'drizzle-orm/libsql';
import { migrate } from 'drizzle-orm/libsql/migrator';
import fs from 'node:fs';
import path from 'node:path';
import PQueue from 'p-queue';
import * as schema from './schema.ts';
import { isBusy, storageGone } from './trouble.ts';

export type Database = LibSQLDatabase<typeof schema>;
export type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0];

/** The open database. */
export interface Storage {
  db: Database;
  /** All writes go through here, one after the other: concurrent transactions on SQLite only get in each other's way. */
  write<T>(work: (transaction: Transaction) => Promise<T>): Promise<T>;
  close(): Promise<void>;
}

/** Beside the sources, also when run from the build, in a folder of its own or as one file. */
const MIGRATIONS = ['../../src/db/migrations', '../src/db/migrations']
  .map((folder) => path.join(import.meta.dirname, folder))
  .find((folder) => fs.existsSync(folder)) as string;
/** Waiting inside the driver holds up everybody: it is short, and a write that meets a lock is tried again from outside. */
const BUSY_TIMEOUT_MS = 100;
const TRIED_FOR_MS = 5000;
const TRIED_EVERY_MS = 150;

/** How many migrations there are, and how many of them the database has been through. */
async function migrationsOf(client: Client): Promise<{ known: number; done: number }> {
  const journal = JSON.parse(fs.readFileSync(path.join(MIGRATIONS, 'meta/_journal.json'), 'utf8')) as {
    entries: unknown[];
  };
  const tables = await client.execute("select name from sqlite_master where name = '__drizzle_migrations'");
  if (tables.rows.length === 0) return { known: journal.entries.length, done: 0 };
  const { rows } = await client.execute('select count(*) as done from __drizzle_migrations');
  return { known: journal.entries.length, done: Number(rows[0]?.['done']) };
}

/** The database cannot be opened; says why and what to do. */
export class Unopenable extends Error {}

/** Takes a database for this server alone, until the process ends however it ends. @throws Unopenable where another has it */
async function takeAlone(file: string): Promise<{ close(): void }> {
  const lock = createClient({ url: `file:${file}.lock`, timeout: BUSY_TIMEOUT_MS });
  try {
    const held = await lock.transaction('write');
    return {
      close: () => {
        held.close();
        lock.close();
      },
    };
  } catch (error) {
    lock.close();
    if (!isBusy(error)) throw error;
    throw new Unopenable(`Another Stadion uses ${file}: close it, or set STADION_DATABASE to another file.`);
  }
}

const pause = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, TRIED_EVERY_MS));

/** Does something again while another program holds the database, for some seconds. */
async function persistently<T>(client: Client, work: () => Promise<T>): Promise<T> {
  for (const until = Date.now() + TRIED_FOR_MS; ; await pause()) {
    try {
      return await work();
    } catch (error) {
      // The driver leaves the statement that met the lock unfinished: only a fresh connection can commit again.
      if (isBusy(error)) client.reconnect();
      if (!isBusy(error) || Date.now() > until) throw error;
    }
  }
}

/**
 * Open the database file, bring it up to date, and keep a copy of it beside it before any migration touches it.
 *
 * @param file path; its folder is made when missing
 * @param now for the copy's name
 * @throws Unopenable with a sentence for whoever started the server
 */
export async function openStorage(file: string, now: () => Date): Promise<Storage> {
  fs.mkdirSync(path.dirname(file), { recursive: true });
  const existed = fs.existsSync(file);
  if (existed && fs.statSync(file).isDirectory())
    throw new Unopenable(`${file} is a folder: set STADION_DATABASE to a file.`);
  const lock = await takeAlone(file);
  const client = createClient({ url: `file:${file}`, timeout: BUSY_TIMEOUT_MS });
  await client.execute('pragma journal_mode = wal');
  const db = drizzle(client, { schema });
  const { known, done } = await migrationsOf(client);
  if (done > known) {
    client.close();
    lock.close();
    throw new Unopenable(`${file} was written by a newer Stadion: bring this one up to date, or use another file.`);
  }
  if (done < known) {
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
      (await queue.add(() => {
        if (!fs.existsSync(file)) throw storageGone(file);
        return persistently(client, () => db.transaction(work));
      })) as T,
    close: async () => {
      await queue.onIdle();
      client.close();
      lock.close();
    },
  };
}
