import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import type { Books, ForecastList, TrialsState } from '@stadion/core/exchange/contract';
import { MOST_RECORDS } from '@stadion/core/forecast/trials';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import request from 'supertest';
import { inlineQueue, testApp } from '../../testing/testApp.ts';

const queue = inlineQueue();
let app: Awaited<ReturnType<typeof testApp>>;
let id = '';

beforeAll(async () => {
  app = await testApp({ queue });
  // Two slots only: the one won at once, and one that is soon known.
  id = (await app.projects.create({ from: 'demo' })).id;
  const { document } = await app.projects.read(id);
  const keep = new Set(['slot-4', 'slot-11']);
  const others = Object.keys(document.slots).filter((slot) => !keep.has(slot));
  const patch = others.map((slot) => ({ op: 'remove' as const, path: `/slots/${slot}` }));
  // The expectations of other slots are removed with them.
  const alone = [{ op: 'replace' as const, path: '/expectations', value: {} }, ...patch];
  await app.projects.edit(id, { revision: 0 }, [{ id: 'two-slots-only', label: 'Two slots', patch: alone }]);
});
afterAll(() => app.end());

const ask = async (): Promise<ForecastList> =>
  (await request(app.express).get(`/api/projects/${id}/forecasts/steady`)).body as ForecastList;
async function known(): Promise<ForecastList> {
  for (;;) {
    const list = await ask();
    if (list.entries.every((entry) => entry.done)) return list;
    await new Promise((resolve) => setTimeout(resolve, 20));
  }
}

describe('forecasts', () => {
  it('are asked for at once and come as they are played', async () => {
    const first = await ask();
    expect(first.entries.map(({ slotId, done, summary }) => [slotId, done, summary])).toEqual([
      ['slot-4', false, null],
      ['slot-11', false, null],
    ]);
    const { entries } = await known();
    expect(entries[1]!.summary).toMatchObject({ clearRate: 1 });
    expect(entries[0]!.summary!.attempts).toBeGreaterThanOrEqual(60);
    expect(entries[0]!.summary!.interval.low).toBeGreaterThan(0.8);
  });

  it('are never computed twice for the same question', async () => {
    await known();
    const { played } = queue;
    const copy = await app.projects.add((await app.projects.read(id)).document);
    const list = await request(app.express).get(`/api/projects/${copy.id}/forecasts/steady`);
    expect((list.body as ForecastList).entries.every((entry) => entry.done)).toBe(true);
    expect(queue.played).toBe(played);
  });

  it('keep their key through an edit elsewhere and change it through one that matters', async () => {
    const before = (await known()).entries.map((entry) => entry.key);
    await app.projects.edit(id, { revision: 1 }, [
      {
        id: 'rename-one-level',
        label: 'Rename',
        patch: [{ op: 'replace', path: '/levels/two-ponds/name', value: 'Two Pools' }],
      },
    ]);
    expect((await ask()).entries.map((entry) => entry.key)).toEqual(before);
    await app.projects.edit(id, { revision: 2 }, [
      {
        id: 'pin-one-value',
        label: 'Pin',
        patch: [{ op: 'add', path: '/parameters/hornetSpeed/pins/slot-4', value: 1 }],
      },
    ]);
    const after = (await ask()).entries.map((entry) => entry.key);
    expect([after[0] === before[0], after[1] === before[1]]).toEqual([false, true]);
  });

  it('know no other pacers than there are', async () => {
    expect((await request(app.express).get(`/api/projects/${id}/forecasts/ghost`)).status).toBe(404);
  });
});

describe('trials that do not go through', () => {
  const alone = async (server: Awaited<ReturnType<typeof testApp>>): Promise<string> => {
    const document = (await app.projects.read(id)).document;
    const [first] = Object.entries(document.slots);
    return (await server.projects.add({ ...document, slots: Object.fromEntries([first!]) })).id;
  };
  const firstEntry = async (server: Awaited<ReturnType<typeof testApp>>, project: string) => {
    const answer = await request(server.express).get(`/api/projects/${project}/forecasts/steady`);
    return (answer.body as ForecastList).entries[0]!;
  };
  const settled = async (server: Awaited<ReturnType<typeof testApp>>, project: string, isSo: () => boolean) => {
    const entry = await firstEntry(server, project);
    while (!isSo()) await new Promise((resolve) => setTimeout(resolve, 10));
    return entry;
  };

  it('are tried once more and then given up, and can be asked for again', async () => {
    let failing = true;
    const lossy = inlineQueue(() => failing);
    const server = await testApp({ queue: lossy });
    const project = await alone(server);
    await settled(server, project, () => lossy.played >= 2);
    await new Promise((resolve) => setTimeout(resolve, 30));
    expect(lossy.firsts).toEqual([0, 0]);
    failing = false;
    await settled(server, project, () => lossy.played > 4);
    await server.end();
  }, 30_000);

  it('go on after a restart from where they were', async () => {
    const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'stadion-resumed-'));
    const file = path.join(folder, 'stadion.db');
    // The first server stops after two batches; a batch that never comes back holds the third.
    const before = inlineQueue(({ first }) => first >= 40);
    const first = await testApp({ queue: before, file });
    const project = await alone(first);
    await settled(first, project, () => before.played >= 3);
    await first.end();
    const after = inlineQueue();
    const second = await testApp({ queue: after, file });
    // Two batches of 20, fewer where the machine is slow: a batch ends early then.
    const known = (await firstEntry(second, project)).summary?.attempts;
    expect(known).toBeGreaterThan(0);
    expect(known).toBeLessThanOrEqual(40);
    await settled(second, project, () => after.played > 0);
    expect(after.firsts[0]).toBe(known);
    await second.end();
    fs.rmSync(folder, { recursive: true });
  });
});

describe('the trials of a project', () => {
  const say = (body: unknown) =>
    request(app.express)
      .post(`/api/projects/${id}/trials`)
      .send(body as object);
  const state = async () => (await request(app.express).get(`/api/projects/${id}/trials`)).body as TrialsState;

  it('are paused, go on, and are cancelled; what was played is kept', async () => {
    await known();
    expect((await say({ do: 'pause' })).body).toMatchObject({ paused: true, waiting: 0 });
    await request(app.express).get(`/api/projects/${id}/forecasts/sharp`);
    const { played } = queue;
    await new Promise((resolve) => setTimeout(resolve, 150));
    expect(queue.played).toBe(played);
    expect(await state()).toMatchObject({ paused: true, waiting: 2 });
    expect((await state()).asked.map(({ pacer }) => pacer)).toContain('sharp');
    await say({ do: 'goOn' });
    while (queue.played === played) await new Promise((resolve) => setTimeout(resolve, 10));
    expect((await say({ do: 'cancel' })).body).toMatchObject({ paused: false, asked: [] });
    while ((await state()).waiting > 0) await new Promise((resolve) => setTimeout(resolve, 10));
  });

  it('say what they cannot do', async () => {
    expect((await say({ do: 'hurry' })).status).toBe(400);
    expect((await request(app.express).get('/api/projects/none/trials')).status).toBe(404);
    expect(
      (
        await request(app.express)
          .post('/api/trials/books')
          .send({ keys: ['x'] })
      ).status,
    ).toBe(400);
  });

  it('give what the books of a run need, by key', async () => {
    const { entries } = await known();
    const keys = [...entries.map(({ key }) => key), '0'.repeat(64)];
    const { body } = await request(app.express).post('/api/trials/books').send({ keys });
    const { books } = body as Books;
    expect(Object.keys(books).toSorted()).toEqual(entries.map(({ key }) => key).toSorted());
    const rows = books[entries[0]!.key]!;
    expect(rows.length).toBe(Math.min(MOST_RECORDS, entries[0]!.summary!.attempts));
    expect(rows.filter(([won]) => won === 1).length / rows.length).toBeCloseTo(entries[0]!.summary!.clearRate, 1);
  });
});
