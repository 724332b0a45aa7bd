import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { sql } from 'drizzle-orm';
import fs from 'node:fs';
import path from 'node:path';
import { testApp } from '../../testing/testApp.ts';
import { makePlaytestService } from './service.ts';

let app: Awaited<ReturnType<typeof testApp>>;
beforeAll(async () => {
  app = await testApp();
});
afterAll(() => app.end());

const TODAY = '2030-01-02';
const made = async (limits?: { events: number; characters: number }) => {
  const { id } = await app.projects.create({ from: 'demo' });
  const service = makePlaytestService({
    storage: app.storage,
    now: () => new Date(`${TODAY}T12:00:00Z`),
    onEvents: () => undefined,
    ...(limits ? { limits } : {}),
  });
  const kept = async (): Promise<string[]> => {
    const ids: string[] = [];
    for await (const line of service.lines(id)) ids.push((JSON.parse(line) as { id: string }).id);
    return ids;
  };
  return { service, id, kept };
};
/** Events numbered from a first one, a minute apart. */
const events = (first: number, count: number, change: object = {}) =>
  Array.from({ length: count }, (_, index) => ({
    specversion: '1.0',
    id: `e${String(first + index).padStart(5, '0')}`,
    source: '/games/dusk',
    type: 'attempt.ended',
    time: new Date(Date.UTC(2030, 0, 1, 20, first + index)).toISOString(),
    data: { slot: 'slot-7', result: 'won', seconds: 20 },
    ...change,
  }));

describe('the events of a project', () => {
  it('are read in the order of time page by page, each once, also where many have the same time', async () => {
    const { service, id, kept } = await made();
    const same = { time: '2030-01-01T08:00:00Z' };
    for (const first of [0, 1000]) await service.receive(id, events(first, 800, same));
    const ids = await kept();
    expect(ids).toHaveLength(1600);
    expect(ids).toEqual(ids.toSorted());
  });

  it('let other requests have their turn between pages', async () => {
    const { service, id, kept } = await made();
    await service.receive(id, events(0, 900));
    let turns = 0;
    let reading = true;
    const count = (): void => {
      turns++;
      if (reading) setImmediate(count);
    };
    setImmediate(count);
    await kept();
    reading = false;
    expect(turns).toBeGreaterThanOrEqual(3);
  });

  it('leave one row of counts behind, however many days the removed ones claim', async () => {
    const { service, id } = await made({ events: 20, characters: 1e9 });
    const daily = (first: number) =>
      events(first, 60).map((event, index) => ({
        ...event,
        time: new Date(Date.UTC(1990, 0, first + index)).toISOString(),
      }));
    for (const first of [0, 60, 120]) await service.receive(id, daily(first));
    const { rows } = await app.storage.db.run(
      sql`select count(*) as days from game_event_counts where project_id = ${id}`,
    );
    expect(Number(rows[0]?.['days'])).toBeLessThanOrEqual(22);
    expect(await service.summary(id)).toMatchObject({ events: 180 });
  });

  it('are the latest ones within a limit of their number, while all of them stay counted', async () => {
    const { service, id, kept } = await made({ events: 100, characters: 1e9 });
    for (const first of [0, 90, 180, 270, 360]) await service.receive(id, events(first, 90));
    const ids = await kept();
    expect([ids.length, ids[0], ids.at(-1)]).toEqual([100, 'e00350', 'e00449']);
    // From 20:00 on: minute 240 is midnight.
    expect(await service.summary(id)).toMatchObject({ events: 450, attemptsToday: 210 });
  });

  it('are the latest ones within a limit of their size', async () => {
    const { service, id, kept } = await made({ events: 1e6, characters: 50_000 });
    const large = { type: 'custom', data: { values: { words: 'x'.repeat(190) } } };
    await service.receive(id, events(0, 400, large));
    const ids = await kept();
    expect(ids.length).toBeGreaterThan(150);
    expect(ids.length).toBeLessThan(250);
    expect(ids.at(-1)).toBe('e00399');
  });

  it('are counted in the same characters when they come and when they go', async () => {
    const { service, id } = await made({ events: 5, characters: 1e9 });
    await service.receive(id, events(0, 40, { type: 'custom', data: { values: { words: '🐝'.repeat(40) } } }));
    const rows = await app.storage.db.all<{ kept: number; counted: number; stored: number }>(sql`
      select sum(kept) as kept, sum(characters) as counted,
        (select sum(length(data)) from game_events where project_id = ${id}) as stored
      from game_event_counts where project_id = ${id}`);
    expect(rows[0]!.kept).toBe(5);
    expect(rows[0]!.counted).toBe(rows[0]!.stored);
  });

  it('are refused one by one where their data is too long', async () => {
    const { service, id } = await made();
    const values = Object.fromEntries(Array.from({ length: 200 }, (_, n) => [`v${n}`, 'x'.repeat(190)]));
    const receipt = await service.receive(id, [...events(0, 1), ...events(1, 1, { type: 'custom', data: { values } })]);
    expect(receipt).toMatchObject({ kept: 1, refused: [{ index: 1, pointer: '/1/data' }] });
    expect(receipt.refused[0]!.message).toMatch(/20000 characters at most/);
  });

  it('count once, and are not counted again when they come again', async () => {
    const { service, id } = await made();
    await service.receive(id, events(0, 50));
    expect(await service.receive(id, events(25, 50))).toMatchObject({ kept: 25, known: 25 });
    expect(await service.summary(id)).toMatchObject({ events: 75 });
  });

  it('are counted by the migration as they are counted when they come', async () => {
    const { service, id } = await made();
    await service.receive(id, events(0, 300));
    const before = await service.summary(id);
    const folder = path.join(import.meta.dirname, '../../db/migrations');
    const statements = fs
      .readFileSync(path.join(folder, '0007_event_counts.sql'), 'utf8')
      .split('--> statement-breakpoint');
    await app.storage.db.run(sql`delete from game_event_counts`);
    await app.storage.db.run(sql.raw(statements.at(-1)!));
    expect(await service.summary(id)).toEqual(before);
  });
});
