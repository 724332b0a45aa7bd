import { afterAll, beforeAll, beforeEach, describe, expect, it } from '@jest/globals';
import type { OpenProject, ProjectSummary } from '@stadion/core/exchange/contract';
import request from 'supertest';
import { testApp } from '../../testing/testApp.ts';
import { setBinned } from './store.ts';

let app: Awaited<ReturnType<typeof testApp>>;
let id = '';

beforeAll(async () => {
  app = await testApp();
});
afterAll(() => app.end());
beforeEach(async () => {
  id = (await app.projects.create({ from: 'empty', name: 'Quiet Garden' })).id;
});

const post = (body: object) => request(app.express).post('/api/projects').send(body);
const list = async (): Promise<ProjectSummary[]> =>
  ((await request(app.express).get('/api/projects')).body as { projects: ProjectSummary[] }).projects;
const mine = async (): Promise<ProjectSummary | undefined> => (await list()).find((project) => project.id === id);

describe('a new project', () => {
  it('starts from three answers', async () => {
    const made = await post({ from: 'start', moves: 'roam', goal: 'survive', levels: 5, name: 'Lantern Fields' });
    expect([made.status, made.body.name, made.body.slots]).toEqual([201, 'Lantern Fields', 5]);
  });

  it.each([
    [{ from: 'start', moves: 'swims', goal: 'survive', levels: 5 }],
    [{ from: 'start', moves: 'roam', goal: 'survive', levels: 0 }],
    [{ from: 'start', moves: 'roam', goal: 'survive', levels: 61 }],
    [{ from: 'nowhere' }],
    [{ from: 'empty', name: 'x'.repeat(500) }],
  ])('is not made of %j', async (body) => {
    const before = (await list()).length;
    const answer = await post(body);
    expect([answer.status, answer.body.code]).toEqual([400, 'bad-request']);
    expect(await list()).toHaveLength(before);
  });

  it('is a copy of another, with a history of its own', async () => {
    const made = await post({ from: 'copy', of: id });
    expect([made.status, made.body.name]).toEqual([201, 'Quiet Garden copy']);
    const copy = (await request(app.express).get(`/api/projects/${String(made.body.id)}`)).body as OpenProject;
    expect([copy.revision, copy.recent]).toEqual([0, []]);
    expect((await post({ from: 'copy', of: 'no-such' })).status).toBe(404);
  });
});

describe('the list of projects', () => {
  it('renames one, as an edit that can be undone', async () => {
    const answer = await request(app.express).put(`/api/projects/${id}/name`).send({ name: 'Loud Garden' });
    expect(answer.status).toBe(204);
    const open = (await request(app.express).get(`/api/projects/${id}`)).body as OpenProject;
    expect([open.document.name, open.recent.at(-1)?.edit.label]).toEqual([
      'Loud Garden',
      'Rename the project to Loud Garden',
    ]);
    expect((await request(app.express).put(`/api/projects/${id}/name`).send({ name: ' ' })).status).toBe(400);
  });

  it('puts one into the bin and brings it back as it was', async () => {
    expect((await request(app.express).delete(`/api/projects/${id}`)).status).toBe(204);
    expect((await mine())?.binnedAt).toMatch(/^2030/);
    expect((await request(app.express).post(`/api/projects/${id}/restore`)).status).toBe(204);
    expect((await mine())?.binnedAt).toBeUndefined();
    expect((await request(app.express).delete('/api/projects/no-such')).status).toBe(404);
    expect((await request(app.express).post('/api/projects/no-such/restore')).status).toBe(404);
  });

  it('lets go for good only of what has been in the bin for more than 30 days', async () => {
    const { id: kept } = await app.projects.create({ from: 'empty', name: 'Kept' });
    await setBinned(app.storage.db, id, '2029-11-01T00:00:00.000Z');
    await setBinned(app.storage.db, kept, '2029-12-20T00:00:00.000Z');
    expect(await app.projects.emptyBin()).toEqual([id]);
    const ids = (await list()).map((project) => project.id);
    expect([ids.includes(id), ids.includes(kept)]).toEqual([false, true]);
  });

  it('shows the clear rates as they were last forecast', async () => {
    expect((await mine())?.rates).toEqual([]);
    await app.projects.keepRates(id, [0.9, null, 0.4]);
    expect((await mine())?.rates).toEqual([0.9, null, 0.4]);
  });
});
