import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import fs from 'node:fs';
import path from 'node:path';
import { pino } from 'pino';
import request from 'supertest';
import { createClient } from '@libsql/client';
import { openStorage } from '../db/client.ts';
import { storageTrouble } from '../db/trouble.ts';
import { testApp } from '../testing/testApp.ts';

const now = (): Date => new Date(Date.UTC(2030, 0, 1));
let serial = 0;
let app: Awaited<ReturnType<typeof testApp>>;
beforeAll(async () => {
  app = await testApp();
});
afterAll(() => app.end());

describe('the server answers', () => {
  it.each([
    ['under another name', { Host: 'elsewhere.example' }, 403],
    ['to a page of another site', { Origin: 'http://elsewhere.example' }, 403],
    ['to a picture on another site', { 'Sec-Fetch-Site': 'cross-site', 'Sec-Fetch-Mode': 'no-cors' }, 403],
    ['to a page on another port', { 'Sec-Fetch-Site': 'same-site', 'Sec-Fetch-Mode': 'cors' }, 403],
    ['to somebody who follows a link', { 'Sec-Fetch-Site': 'cross-site', 'Sec-Fetch-Mode': 'navigate' }, 200],
    ['to its own page, as the browser says', { 'Sec-Fetch-Site': 'same-origin', 'Sec-Fetch-Mode': 'cors' }, 200],
    ['to an origin that cannot be read', { Origin: 'null' }, 403],
    ['under a port that there is not', { Host: '127.0.0.1:99999' }, 403],
    ['to its own page', { Host: '127.0.0.1:3000', Origin: 'http://127.0.0.1:3000' }, 200],
    [
      'to its own page on another port of this machine',
      { Host: '127.0.0.1:3000', Origin: 'http://127.0.0.1:4000' },
      403,
    ],
  ])('%s with the right status', async (_case, headers, status) => {
    expect((await request(app.express).get('/api/health').set(headers)).status).toBe(status);
  });

  it('with security headers', async () => {
    const { headers } = await request(app.express).get('/api/health');
    expect(headers['content-security-policy']).toContain("default-src 'self'");
    expect(headers['content-security-policy']).toContain("frame-ancestors 'none'");
    expect(headers['x-content-type-options']).toBe('nosniff');
    expect(headers['x-powered-by']).toBeUndefined();
    expect(headers['strict-transport-security']).toBeUndefined();
  });

  it('has every route in its description, and describes no other', async () => {
    interface Layer {
      route?: { path: string; methods: Record<string, boolean> };
      handle: { stack?: Layer[] };
    }
    const routesOf = (layers: Layer[]): string[] =>
      layers.flatMap(({ route, handle }) =>
        route
          ? Object.keys(route.methods).map((method) => `${method} ${route.path.replaceAll(/:(\w+)/g, '{$1}')}`)
          : routesOf(handle.stack ?? []),
      );
    const { stack } = app.express.router as unknown as { stack: Layer[] };
    const api = stack.find(({ handle }) => routesOf(handle.stack ?? []).length > 0)!;
    const { body } = await request(app.express).get('/api/openapi.json');
    const described = Object.entries(body.paths as Record<string, object>).flatMap(([path, methods]) =>
      Object.keys(methods).map((method) => `${method} ${path.replace('/api', '')}`),
    );
    const served = new Set(routesOf(api.handle.stack ?? []));
    expect(described.toSorted()).toEqual([...served].toSorted());
    expect(served.size).toBeGreaterThan(30);
  });

  it('with its own description, every address in it', async () => {
    const { body } = await request(app.express).get('/api/openapi.json');
    expect(body.openapi).toBe('3.1.0');
    expect(Object.keys(body.paths as object)).toEqual(
      expect.arrayContaining([
        '/api/projects',
        '/api/projects/{id}',
        '/api/projects/{id}/revisions',
        '/api/projects/{id}/forecasts/{pacer}',
        '/api/projects/import',
      ]),
    );
    expect(body.components.schemas).toHaveProperty('Edit');
  });
});

describe('beyond this machine', () => {
  it('asks for its token, once in the address, then in a cookie, or as a bearer', async () => {
    const guarded = await testApp({ access: { hosts: ['stadion.example'], token: 'open sesame' } });
    const ask = (address: string) => request(guarded.express).get(address).set('Host', 'stadion.example');
    expect((await ask('/api/projects')).status).toBe(401);
    expect((await ask('/api/projects?token=wrong')).status).toBe(401);
    const first = await ask('/api/projects?token=open%20sesame');
    expect(first.status).toBe(303);
    const cookie = String(first.headers['set-cookie']);
    expect(cookie).toMatch(/HttpOnly; SameSite=Strict/);
    expect((await ask('/api/projects').set('Cookie', cookie.split(';')[0]!)).status).toBe(200);
    expect((await ask('/api/projects').set('Cookie', 'stadion-token=%E0%A4%A')).status).toBe(401);
    expect((await ask('//elsewhere.example/x?token=open%20sesame')).headers['location']).toBe('/elsewhere.example/x');
    expect((await ask('/sample/?project=dusk&token=open%20sesame&level=3')).headers['location']).toBe(
      '/sample/?project=dusk&level=3',
    );
    expect((await ask('/api/projects').set('Authorization', 'Bearer open sesame')).status).toBe(200);
    await guarded.end();
  });
});

describe('a game', () => {
  const HOST = { Host: '192.0.2.7' };
  const forGame = { ...HOST, Authorization: 'Bearer for-games' };

  it('reads and tells by a token of its own, and can do nothing else', async () => {
    const guarded = await testApp({
      access: { hosts: ['192.0.2.7'], token: 'for-designers', gameToken: 'for-games' },
    });
    const { id } = await guarded.projects.create({ from: 'demo' });
    const at = `/api/projects/${id}`;
    const get = (path: string, headers: Record<string, string> = forGame) =>
      request(guarded.express).get(path).set(headers);
    const event = { specversion: '1.0', id: '1', source: '/g', type: 'custom', data: {} };
    const tell = request(guarded.express).post(`${at}/events`).set(forGame).send(event);
    expect([
      (await get(`${at}/files/hand-off.json`)).status,
      (await get(`${at}/files/hand-off.json?token=for-games`, HOST)).status,
      (await tell).status,
    ]).toEqual([200, 200, 202]);
    const patch = request(guarded.express)
      .patch(at)
      .set({ ...forGame, 'If-Match': '"0"' });
    expect([
      (await patch.send({ edits: [] })).status,
      (await get(at)).status,
      (await get('/api/projects')).status,
      (await get(`${at}/files/project.json`)).status,
      (await get(`${at}/games`)).status,
      (await request(guarded.express).delete(at).set(forGame)).status,
      (await get(`${at}/files/hand-off.json`, { ...HOST, Authorization: 'Bearer another' })).status,
    ]).toEqual([401, 401, 401, 401, 401, 401, 401]);
    await guarded.end();
  });

  it('may run in a page of another origin that is named, for what a game does', async () => {
    const Origin = 'http://game.example';
    const open = await testApp({ access: { hosts: ['127.0.0.1'], gameOrigins: [Origin] } });
    const { id } = await open.projects.create({ from: 'demo' });
    const headers = { Host: '127.0.0.1', Origin };
    const at = `/api/projects/${id}`;
    const handOff = await request(open.express).get(`${at}/files/hand-off.json`).set(headers);
    expect([handOff.status, handOff.headers['access-control-allow-origin']]).toEqual([200, Origin]);
    const asked = request(open.express).options(`${at}/events`).set(headers);
    expect((await asked.set('Access-Control-Request-Method', 'POST')).status).toBe(204);
    expect([
      (await request(open.express).get(at).set(headers)).status,
      (
        await request(open.express)
          .get(`${at}/files/hand-off.json`)
          .set({ ...headers, Origin: 'http://other.example' })
      ).status,
    ]).toEqual([403, 403]);
    await open.end();
  });
});

describe('the log', () => {
  it('has neither tokens nor cookies', async () => {
    const lines: string[] = [];
    const log = pino({ level: 'info' }, { write: (line: string) => void lines.push(line) });
    const guarded = await testApp({ access: { hosts: ['stadion.example'], token: 'open-sesame' }, log });
    const ask = (address: string) => request(guarded.express).get(address).set('Host', 'stadion.example');
    await ask('/api/projects?token=open-sesame');
    await ask('/api/projects').set('Authorization', 'Bearer open-sesame');
    await ask('/api/projects').set('Cookie', 'stadion-token=open-sesame');
    await guarded.end();
    expect(lines).toHaveLength(3);
    expect(lines.join()).toContain('/api/projects?token=…');
    expect(lines.join()).not.toContain('sesame');
  });
});

describe('the database', () => {
  it('keeps what it holds over a restart, and needs no second migration', async () => {
    const { id } = await app.projects.create({ from: 'empty', name: 'Kept' });
    const { file } = app;
    await app.close();
    await app.storage.close();
    app = await testApp({ file });
    expect((await app.projects.read(id)).document.name).toBe('Kept');
    expect(fs.readdirSync(path.dirname(file)).filter((name) => name.includes('.before-'))).toEqual([]);
  });

  it('is for one server at a time', async () => {
    const file = path.join(path.dirname(app.file), 'alone.db');
    const first = await openStorage(file, now);
    await expect(openStorage(file, now)).rejects.toThrow('Another Stadion uses');
    await first.close();
    await (await openStorage(file, now)).close();
  });

  it.each<[string, (file: string) => Promise<void> | void, RegExp]>([
    ['a folder in its place', (file) => void fs.mkdirSync(file), /is a folder/],
    ['a file that is no database', (file) => fs.writeFileSync(file, 'x'.repeat(9000)), /damaged, or is no database/],
    [
      'a newer schema',
      async (file) => {
        await (await openStorage(file, now)).close();
        const client = createClient({ url: `file:${file}` });
        await client.execute("insert into __drizzle_migrations (hash, created_at) values ('later', 1)");
        client.close();
      },
      /written by a newer Stadion/,
    ],
  ])('that is %s is refused with a sentence', async (_case, spoil, words) => {
    const file = path.join(path.dirname(app.file), `spoilt-${serial++}.db`);
    await spoil(file);
    const error: unknown = await openStorage(file, now).catch((thrown: unknown) => thrown);
    expect(storageTrouble(error)?.message ?? (error as Error).message).toMatch(words);
  });

  it('that is gone, or held by another program, is reported with what is kept', async () => {
    const server = await testApp();
    const { id } = await server.projects.create({ from: 'empty' });
    const rename = (on: number) =>
      request(server.express)
        .patch(`/api/projects/${id}`)
        .set('If-Match', `"${on}"`)
        .send({
          edits: [{ id: `edit-gone-${on}`, label: 'x', patch: [{ op: 'replace', path: '/name', value: 'X' }] }],
        });
    const other = createClient({ url: `file:${server.file}` });
    const held = await other.transaction('write');
    setTimeout(() => held.close(), 600);
    expect((await rename(0)).status).toBe(200);
    fs.renameSync(server.file, `${server.file}.away`);
    const answer = await rename(1);
    expect(answer.body).toMatchObject({
      status: 503,
      code: 'storage-unavailable',
      kept: expect.stringContaining('kept'),
    });
    fs.renameSync(`${server.file}.away`, server.file);
    expect((await rename(1)).status).toBe(200);
    await server.end();
  });

  it('is copied before a migration touches it', async () => {
    const file = path.join(path.dirname(app.file), 'old.db');
    fs.writeFileSync(file, '');
    const storage = await openStorage(file, () => new Date(Date.UTC(2030, 0, 1)));
    await storage.close();
    expect(fs.existsSync(`${file}.before-2030-01-01T00-00-00-000Z`)).toBe(true);
  });
});
