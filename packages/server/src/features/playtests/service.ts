import { GameEvent, MOST_EVENTS_IN_A_BATCH, type EventReceipt } from '@stadion/core/exchange/contract';
import { pointerOf } from '@stadion/core/document/model';
import { setImmediate } from 'node:timers/promises';
import type { Storage } from '../../db/client.ts';
import { StadionError } from '../../http/errors.ts';
import * as store from './store.ts';

interface Dependencies {
  storage: Storage;
  now: () => Date;
  /** Called once events are kept. */
  onEvents: (projectId: string) => void;
  limits?: store.EventLimits;
}

type Row = ReturnType<typeof store.rowOf>;

/** Events of a request that wait to be written, with whoever waits for them. */
interface Waiting {
  rows: Row[];
  done(kept: number): void;
  failed(error: unknown): void;
}

/** As many rows as are written in one transaction. */
const MOST_ROWS = 20_000;
/** Rows read at once: other requests wait for some milliseconds only. */
const ROWS_READ_AT_ONCE = 250;
/** Most characters of one event's data. */
const LONGEST_DATA = 20_000;
/** A project keeps its latest events within these limits. */
const LIMITS: store.EventLimits = { events: 1_000_000, characters: 1_000_000_000 };

export type PlaytestService = ReturnType<typeof makePlaytestService>;

const keyOf = ({ projectId, source, id }: Pick<Row, 'projectId' | 'source' | 'id'>): string =>
  JSON.stringify([projectId, source, id]);

export function makePlaytestService({ storage, now, onEvents, limits = LIMITS }: Dependencies) {
  const waiting: Waiting[] = [];
  let writing = false;

  /** Writes all that waits in one transaction; whoever comes meanwhile goes into the next one. */
  async function write(): Promise<void> {
    if (writing) return;
    writing = true;
    while (waiting.length > 0) {
      let many = 1;
      let rows = waiting[0]?.rows.length ?? 0;
      while (many < waiting.length && (rows += waiting[many]?.rows.length ?? 0) <= MOST_ROWS) many++;
      const taken = waiting.splice(0, many);
      try {
        const fresh = await storage.write(async (transaction) => {
          const inserted = await store.insertEvents(
            transaction,
            taken.flatMap((one) => one.rows),
          );
          for (const projectId of new Set(inserted.map((row) => row.projectId)))
            while ((await store.removeOldest(transaction, projectId, limits)) > 0);
          return inserted;
        });
        const isFresh = new Set(fresh.map(keyOf));
        // An event that came twice in one transaction counts for who sent it first.
        for (const one of taken) one.done(one.rows.filter((row) => isFresh.delete(keyOf(row))).length);
      } catch (error) {
        for (const one of taken) one.failed(error);
      }
    }
    writing = false;
  }

  const keep = (rows: Row[]): Promise<number> =>
    new Promise((done, failed) => {
      waiting.push({ rows, done, failed });
      void write();
    });

  return {
    /** Keeps the events of one request; answers once they are on the disk. */
    async receive(projectId: string, body: unknown): Promise<EventReceipt> {
      const list: unknown[] = Array.isArray(body) ? body : [body];
      if (list.length > MOST_EVENTS_IN_A_BATCH)
        throw new StadionError('bad-request', `A batch has ${MOST_EVENTS_IN_A_BATCH} events at most.`, {
          kept: 'None of these events was kept.',
        });
      const came = now().toISOString();
      const refused: EventReceipt['refused'] = [];
      const rows = list.flatMap((value, index) => {
        const parsed = GameEvent.safeParse(value);
        const row = parsed.success ? store.rowOf(projectId, parsed.data, came) : undefined;
        if (row && row.data.length <= LONGEST_DATA) return [row];
        const issue = parsed.error?.issues[0] ?? {
          path: ['data'],
          message: `The data of an event has ${LONGEST_DATA} characters at most.`,
        };
        const path = Array.isArray(body) ? [index, ...(issue?.path ?? [])] : (issue?.path ?? []);
        refused.push({ index, pointer: pointerOf(path), message: issue?.message ?? 'This is no event.' });
        return [];
      });
      if (rows.length === 0 && refused.length > 0)
        throw new StadionError('bad-event', refused[0]?.message ?? 'This is no event.', {
          places: refused.slice(0, 20).map(({ pointer, message }) => ({ pointer, message })),
          kept: 'None of these events was kept.',
        });
      const kept = rows.length === 0 ? 0 : await keep(rows);
      if (kept > 0) onEvents(projectId);
      return { kept, known: rows.length - kept, refused };
    },

    /** Returns the summary of a project's events until now. */
    async summary(projectId: string) {
      const today = now().toISOString().slice(0, 10);
      const { events, attemptsSince } = await store.countEvents(storage.db, projectId, today);
      return { events, attemptsToday: attemptsSince, last: (await store.lastEvent(storage.db, projectId)) ?? null };
    },

    /** Every event as a line of JSON, in the order of time. */
    async *lines(projectId: string): AsyncGenerator<string> {
      for (let after: store.EventPlace | undefined; ;) {
        const rows = await store.eventsAfter(storage.db, projectId, after, ROWS_READ_AT_ONCE);
        for (const { source, id, type, at, data } of rows)
          yield `${JSON.stringify({ specversion: '1.0', id, source, type, time: at, data: JSON.parse(data) as unknown })}\n`;
        if (rows.length < ROWS_READ_AT_ONCE) return;
        after = rows.at(-1);
        // The driver answers without ever returning to the event loop: other requests get their turn here.
        await setImmediate();
      }
    },
  };
}
