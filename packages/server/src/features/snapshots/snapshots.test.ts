import { afterAll, beforeAll, beforeEach, describe, expect, it } from '@jest/globals';
import type { ForecastList, Snapshot, SnapshotSummary } from '@stadion/core/exchange/contract';
import type { PatchOperation } from '@stadion/core/basics/patch';
import { homeBeforeDusk } from '@stadion/core/exchange/demo';
import { documentOf } from '@stadion/core/document/model';
import request from 'supertest';
import { testApp } from '../../testing/testApp.ts';

let app: Awaited<ReturnType<typeof testApp>>;
let base = '';
let revision = 0;

beforeAll(async () => {
  app = await testApp();
});
afterAll(() => app.end());
beforeEach(async () => {
  const { id } = await app.projects.create({ from: 'demo' });
  base = `/api/projects/${id}`;
  revision = 0;
});

async function edit(...patch: PatchOperation[]): Promise<void> {
  const body = { edits: [{ id: `edit-${base.slice(-6)}-${revision}`, label: 'An edit', patch }] };
  const answer = await request(app.express).patch(base).set('If-Match', `"${revision}"`).send(body);
  expect(answer.status).toBe(200);
  revision++;
}
const rename = (name: string): Promise<void> => edit({ op: 'replace', path: '/name', value: name });
const take = (body: unknown) =>
  request(app.express)
    .post(`${base}/snapshots`)
    .send(body as object);
const read = async (id: string): Promise<Snapshot> =>
  (await request(app.express).get(`${base}/snapshots/${id}`)).body as Snapshot;

describe('a snapshot', () => {
  it('keeps the project as it is, whatever is edited afterwards', async () => {
    await rename('Bees');
    const made = await take({ name: ' Before dusk ' });
    expect(made.status).toBe(201);
    const { id } = made.body as SnapshotSummary;
    expect(made.headers['location']).toBe(`${base}/snapshots/${id}`);
    await rename('Moths');
    expect(await read(id)).toMatchObject({ name: 'Before dusk', revision: 1, document: { name: 'Bees' } });
    const list = await request(app.express).get(`${base}/snapshots`);
    expect(list.body).toEqual({ snapshots: [expect.objectContaining({ id, name: 'Before dusk', revision: 1 })] });
  });

  it('goes back in the history, through edits of every kind', async () => {
    await rename('Bees');
    await edit({ op: 'remove', path: '/parameters/hornetSpeed/pins/slot-7' });
    await edit({ op: 'replace', path: '/tiers/midday/from', value: 9 });
    await edit({ op: 'add', path: '/parameters/clock/ramp/atMost', value: 60 });
    const made = (await take({ name: 'At the start', revision: 0 })).body as SnapshotSummary;
    expect((await read(made.id)).document).toEqual(documentOf(homeBeforeDusk()));
    const between = (await take({ name: 'Between', revision: 2 })).body as SnapshotSummary;
    const { document } = await read(between.id);
    expect(document.name).toBe('Bees');
    expect(document.parameters['hornetSpeed']!.pins['slot-7']).toBeUndefined();
    expect(document.tiers['midday']!.from).toBe(8);
  });

  it('is gone once removed; the project is not', async () => {
    const { id } = (await take({ name: 'Short' })).body as SnapshotSummary;
    expect((await request(app.express).delete(`${base}/snapshots/${id}`)).status).toBe(204);
    expect((await request(app.express).get(`${base}/snapshots/${id}`)).status).toBe(404);
    expect((await request(app.express).delete(`${base}/snapshots/${id}`)).status).toBe(404);
    expect((await request(app.express).get(base)).status).toBe(200);
  });

  it.each([
    [{ name: '  ' }, 'A snapshot needs a name.'],
    [{}, ''],
    [{ name: 'x'.repeat(81) }, 'at most 80'],
    [{ name: 'Later', revision: 3 }, 'The project is at revision 0; 3 is not yet.'],
    [{ name: 'Never', revision: -1 }, ''],
  ])('is refused: %j', async (body, message) => {
    const answer = await take(body);
    expect(answer.status).toBe(400);
    expect(JSON.stringify(answer.body)).toContain(message);
    expect((await request(app.express).get(`${base}/snapshots`)).body).toEqual({ snapshots: [] });
  });

  it('belongs to its project', async () => {
    const { id } = (await take({ name: 'Mine' })).body as SnapshotSummary;
    const other = await app.projects.create({ from: 'demo' });
    expect((await request(app.express).get(`/api/projects/${other.id}/snapshots/${id}`)).status).toBe(404);
    expect((await request(app.express).get('/api/projects/nobody/snapshots')).status).toBe(404);
    expect((await request(app.express).post('/api/projects/nobody/snapshots').send({ name: 'a' })).status).toBe(404);
  });

  it('is forecast like the project: the same levels are the same questions', async () => {
    const { id } = (await take({ name: 'Before' })).body as SnapshotSummary;
    await edit({ op: 'replace', path: '/parameters/hornetSpeed/pins/slot-7', value: 3.5 });
    const now = (await request(app.express).get(`${base}/forecasts/steady`)).body as ForecastList;
    const then = (await request(app.express).get(`${base}/snapshots/${id}/forecasts/steady`)).body as ForecastList;
    expect(then.entries.every((entry) => entry.snapshot === id)).toBe(true);
    const differing = then.entries.filter((entry, index) => entry.key !== now.entries[index]!.key);
    expect(differing.map(({ slotId }) => slotId)).toEqual(['slot-7']);
    expect((await request(app.express).get(`${base}/snapshots/${id}/forecasts/nobody`)).status).toBe(404);
  }, 20_000);
});
