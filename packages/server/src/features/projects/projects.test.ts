import { afterAll, beforeAll, beforeEach, describe, expect, it } from '@jest/globals';
import type { Edit, OpenProject } from '@stadion/core/exchange/contract';
import type { PatchOperation } from '@stadion/core/basics/patch';
import { homeBeforeDusk, manyLevels } from '@stadion/core/exchange/demo';
import { documentOf } from '@stadion/core/document/model';
import { createClient } from '@libsql/client';
import fc from 'fast-check';
import fs, { readFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import request from 'supertest';
import { testApp } from '../../testing/testApp.ts';

let app: Awaited<ReturnType<typeof testApp>>;
let id = '';
let serial = 0;

beforeAll(async () => {
  app = await testApp();
});
afterAll(() => app.end());
beforeEach(async () => {
  id = (await app.projects.create({ from: 'demo' })).id;
});

const edit = (patch: PatchOperation[], more: Partial<Edit> = {}): Edit => ({
  id: `edit-${String(++serial).padStart(6, '0')}`,
  label: 'An edit',
  patch,
  ...more,
});
const rename = (name: string): Edit => edit([{ op: 'replace', path: '/name', value: name }]);
const send = (edits: unknown, on: number | string = 0) =>
  request(app.express).patch(`/api/projects/${id}`).set('If-Match', `"${on}"`).send({ edits });
const read = async (): Promise<OpenProject> =>
  (await request(app.express).get(`/api/projects/${id}`)).body as OpenProject;

describe('a project', () => {
  it('is made from the demo and read with its revision', async () => {
    const answer = await request(app.express).get(`/api/projects/${id}`);
    expect(answer.status).toBe(200);
    expect(answer.headers['etag']).toBe('"0"');
    expect((answer.body as OpenProject).document).toEqual(documentOf(homeBeforeDusk()));
  });

  it('is made empty with a name', async () => {
    const made = await request(app.express).post('/api/projects').send({ from: 'empty', name: 'Quiet Garden' });
    expect(made.status).toBe(201);
    const list = await request(app.express).get('/api/projects');
    expect(list.body.projects).toContainEqual(expect.objectContaining({ name: 'Quiet Garden', slots: 0, revision: 0 }));
  });
});

describe('an edit', () => {
  it('that takes out one of 120 parameters with 20 pins each is taken back by a few operations', async () => {
    const project = homeBeforeDusk();
    const [first] = project.parameters;
    const pins = Object.fromEntries(project.slots.slice(0, 20).map((slot, index) => [slot.id, index]));
    const more = Array.from({ length: 120 - project.parameters.length }, (_, n) => ({
      ...first!,
      key: `p${n}`,
      pins,
    }));
    project.parameters.push(...more);
    const document = documentOf(project);
    ({ id } = await app.projects.add(document));
    const removed = await send([edit([{ op: 'remove', path: '/parameters/p60' }])]);
    const { revisions } = removed.body as { revisions: { inverse: PatchOperation[] }[] };
    expect(revisions[0]!.inverse.length).toBeLessThanOrEqual(2);
    expect((await send([edit(revisions[0]!.inverse)], 1)).status).toBe(200);
    expect((await read()).document).toEqual(document);
  });

  it('moves the project on by one revision and can be taken back', async () => {
    const once = rename('Bees');
    const answer = await send([once]);
    expect(answer.status).toBe(200);
    expect(answer.headers['etag']).toBe(`"1-${once.id}"`);
    const { revisions } = answer.body as { revisions: { inverse: PatchOperation[] }[] };
    await send([edit(revisions[0]!.inverse)], 1);
    expect(await read()).toMatchObject({ revision: 2, document: documentOf(homeBeforeDusk()) });
  });

  it('comes in a batch, all in order', async () => {
    const answer = await send([rename('A'), rename('B'), rename('C')]);
    expect(answer.body.revisions.map((entry: { revision: number }) => entry.revision)).toEqual([1, 2, 3]);
    expect((await read()).document.name).toBe('C');
  });

  it('is listed among the revisions', async () => {
    await send([rename('A'), rename('B')]);
    const list = await request(app.express).get(`/api/projects/${id}/revisions?after=1`);
    expect(list.body).toMatchObject({ revision: 2, revisions: [{ revision: 2, edit: { label: 'An edit' } }] });
  });

  it('on an older revision is turned away with the present one', async () => {
    await send([rename('A')]);
    const answer = await send([rename('B')], 0);
    expect(answer.status).toBe(412);
    expect(answer.body).toMatchObject({
      code: 'revision-behind',
      revision: 1,
      kept: expect.stringContaining('still with you'),
    });
    expect((await read()).document.name).toBe('A');
  });

  it('sent twice is not made twice', async () => {
    const once = rename('A');
    await send([once]);
    const again = await send([once], 1);
    expect(again.status).toBe(409);
    expect(again.body.places).toEqual([{ message: once.id }]);
    expect((await read()).revision).toBe(1);
  });
});

describe('refused, whole and with the place,', () => {
  it.each([
    [
      'a patch that does not fit',
      [{ op: 'replace', path: '/slots/slot-99/wanted', value: 1 }],
      422,
      'bad-patch',
      '/slots/slot-99/wanted',
    ],
    [
      'an entry that schemas pass over',
      [{ op: 'add', path: '/levels/__proto__', value: 1 }],
      422,
      'bad-document',
      '/levels/__proto__',
    ],
    ['a failing test', [{ op: 'test', path: '/name', value: 'Other' }], 422, 'bad-patch', '/name'],
    [
      'a number out of range',
      [{ op: 'replace', path: '/slots/slot-1/wanted', value: 3 }],
      422,
      'bad-document',
      '/slots/slot-1/wanted',
    ],
    [
      'a name that leads nowhere',
      [{ op: 'replace', path: '/slots/slot-1/levelId', value: 'nowhere' }],
      422,
      'bad-document',
      '/slots/slot-1/levelId',
    ],
    [
      'an inherited name',
      [{ op: 'add', path: '/__proto__/polluted', value: 1 }],
      422,
      'bad-patch',
      '/__proto__/polluted',
    ],
    ['another version', [{ op: 'replace', path: '/version', value: 2 }], 422, 'bad-document', '/version'],
    ['a step that is none', [{ op: 'jump', path: '/name' }], 400, 'bad-request', '/edits/0/patch/0/op'],
  ])('%s', async (_case, patch, status, code, pointer) => {
    const answer = await send([rename('Fine'), edit(patch as PatchOperation[])].slice(status === 400 ? 1 : 0));
    expect(answer.status).toBe(status);
    expect(answer.type).toBe('application/problem+json');
    expect(answer.body).toMatchObject({
      code,
      kept: expect.any(String),
      places: expect.arrayContaining([expect.objectContaining({ pointer })]),
    });
    expect((await read()).document).toEqual(documentOf(homeBeforeDusk()));
  });

  it.each([
    [
      'without If-Match',
      () =>
        request(app.express)
          .patch(`/api/projects/${id}`)
          .send({ edits: [rename('A')] }),
      428,
    ],
    ['with If-Match that is no revision', () => send([rename('A')], 'abc'), 400],
    [
      'that is no JSON',
      () => request(app.express).patch(`/api/projects/${id}`).set('If-Match', '"0"').type('json').send('{"edits":'),
      400,
    ],
    [
      'of another type',
      () => request(app.express).patch(`/api/projects/${id}`).set('If-Match', '"0"').type('text/plain').send('hello'),
      415,
    ],
    ['without edits', () => send([]), 400],
    ['with too many', () => send(Array.from({ length: 51 }, () => rename('A'))), 400],
    [
      'to nowhere',
      () =>
        request(app.express)
          .patch('/api/projects/none')
          .set('If-Match', '"0"')
          .send({ edits: [rename('A')] }),
      404,
    ],
    ['at an unknown address', () => request(app.express).get('/api/elsewhere'), 404],
    ['with a broken address', () => request(app.express).get('/api/projects/%E0%A4%A'), 400],
    ['after a word', () => request(app.express).get(`/api/projects/${id}/revisions?after=soon`), 400],
  ])('a request %s', async (_case, ask, status) => {
    const answer = await ask();
    expect(answer.status).toBe(status);
    expect(answer.body).toMatchObject({ status, code: expect.any(String), kept: expect.any(String) });
  });

  it('a body nested without end, before it is read', async () => {
    const text = `{"edits":[{"id":"nested-edit","label":"x","patch":[{"op":"add","path":"/name","value":${'['.repeat(9000)}`;
    const answer = await request(app.express)
      .patch(`/api/projects/${id}`)
      .set('If-Match', '"0"')
      .type('json')
      .send(text);
    expect([answer.status, answer.body.detail]).toEqual([
      400,
      'The body is nested deeper, or has more entries in one place, than any project.',
    ]);
  });

  it('anything else, never as a fault of the server', async () => {
    await fc.assert(
      fc.asyncProperty(fc.jsonValue(), async (body) => {
        const answer = await request(app.express)
          .patch(`/api/projects/${id}`)
          .set('If-Match', '"0"')
          .type('json')
          .send(JSON.stringify(body));
        expect(answer.status).toBeGreaterThanOrEqual(400);
        expect(answer.status).toBeLessThan(500);
      }),
      { numRuns: 60 },
    );
    expect((await read()).revision).toBe(0);
  });
});

describe('many writers at once', () => {
  it('make one history: each revision once, none lost', async () => {
    const tries = await Promise.all(Array.from({ length: 20 }, (_, i) => send([rename(`Name ${i}`)])));
    const made = tries.filter((answer) => answer.status === 200);
    expect(made).toHaveLength(1);
    expect(tries.filter((answer) => answer.status === 412)).toHaveLength(19);
    expect((await read()).revision).toBe(1);
  });
});

describe('a project stored by an earlier version', () => {
  it.each([
    [1, 2],
    [2, 4],
  ])(
    'is brought up from %d to this one when the server starts, as an edit of its own, once',
    async (version, slots) => {
      const old = JSON.parse(
        readFileSync(
          new URL(`../../../../core/src/exchange/formats/upgrades/version${version}.json`, import.meta.url),
          'utf8',
        ),
      ) as { name: string };
      const { id: stored } = await app.projects.create({ from: 'empty' });
      // As the earlier version left it, behind the back of the one that is tested.
      const client = createClient({ url: `file:${app.file}` });
      await client.execute({
        sql: 'update projects set document = ? where id = ?',
        args: [JSON.stringify(old), stored],
      });
      client.close();
      expect(await app.projects.bringUpToDate()).toEqual({ upgraded: [stored], unreadable: [] });
      const { document, revision } = await app.projects.read(stored);
      expect([document.version, revision, Object.keys(document.slots).length]).toEqual([3, 1, slots]);
      expect(await app.projects.bringUpToDate()).toEqual({ upgraded: [], unreadable: [] });
      const answer = await request(app.express)
        .patch(`/api/projects/${stored}`)
        .set('If-Match', '"1"')
        .send({ edits: [rename('Up To Date')] });
      expect(answer.status).toBe(200);
    },
  );
});

describe('a project that cannot be read', () => {
  it.each([
    ['from a newer Stadion', JSON.stringify({ version: 99 }), /newer Stadion/],
    ['of null', 'null', /no project/],
    ['of broken text', '{"format":', /damaged/],
    ['of an earlier version that is not whole', '{"format":"stadion-project","version":2}', /./],
  ])('%s keeps nobody from the others, and can be downloaded as it is', async (_case, text, why) => {
    const server = await testApp();
    const { id: bad } = await server.projects.create({ from: 'empty', name: 'Bad' });
    const { id: good } = await server.projects.create({ from: 'demo' });
    const client = createClient({ url: `file:${server.file}` });
    await client.execute({ sql: 'update projects set document = ? where id = ?', args: [text, bad] });
    client.close();
    const { unreadable } = await server.projects.bringUpToDate();
    expect(unreadable).toEqual([{ id: bad, why: expect.stringMatching(why) }]);
    const { body } = await request(server.express).get('/api/projects');
    const listed = (body as { projects: { id: string; unreadable?: string }[] }).projects;
    expect(listed.find((project) => project.id === bad)!.unreadable).toMatch(why);
    expect(listed.find((project) => project.id === good)!.unreadable).toBeUndefined();
    for (const address of ['', '/forecasts/steady', '/export.json']) {
      const answer = await request(server.express).get(`/api/projects/${bad}${address}`);
      expect([answer.status, answer.body.code]).toEqual([422, 'unreadable']);
    }
    expect((await request(server.express).get(`/api/projects/${bad}/stored.json`)).text).toBe(text);
    expect((await request(server.express).get(`/api/projects/${good}`)).status).toBe(200);
    await server.end();
  });
});

describe('an edit of the whole document at once', () => {
  it.each<[string, PatchOperation]>([
    ['takes it away', { op: 'remove', path: '' }],
    ['makes it null', { op: 'replace', path: '', value: null }],
    ['makes it a number', { op: 'replace', path: '', value: 7 }],
    ['makes it a list', { op: 'add', path: '', value: [] }],
  ])('that %s is refused, and changes nothing', async (_what, operation) => {
    const server = await testApp();
    const { id: demo } = await server.projects.create({ from: 'demo' });
    const { status, body } = await request(server.express)
      .patch(`/api/projects/${demo}`)
      .set('If-Match', '"0"')
      .send({ edits: [{ id: 'edit-of-all', label: 'All of it', patch: [operation] }] });
    expect([status, body.code]).toEqual([422, 'bad-document']);
    expect((await server.projects.read(demo)).revision).toBe(0);
    await server.end();
  });
});

describe('stored bytes that are no text any more', () => {
  it('are reported, and do not end the server', async () => {
    const server = await testApp();
    const { id: bad } = await server.projects.create({ from: 'demo' });
    const { id: edited } = await server.projects.create({ from: 'demo' });
    await server.projects.edit(edited, { revision: 0 }, [rename('A name')]);
    const client = createClient({ url: `file:${server.file}` });
    await client.execute({
      sql: "update projects set document = cast(x'7b22c3' || cast(document as blob) as text) where id = ?",
      args: [bad],
    });
    await client.execute("update revisions set edit = cast(x'ff' || cast(edit as blob) as text)");
    client.close();
    const { unreadable } = await server.projects.bringUpToDate();
    expect(unreadable.map((entry) => entry.id)).toEqual([bad, edited]);
    for (const { why } of unreadable) expect(why).toMatch(/damaged/);
    expect((await request(server.express).get(`/api/projects/${bad}/stored.json`)).text).toMatch(/^\{"\ufffd/);
    expect((await request(server.express).get('/api/projects')).body.projects).toHaveLength(2);
    await server.end();
  });
});

describe('edits that are not written into the document yet', () => {
  it('are there after the server was killed', async () => {
    const server = await testApp();
    ({ id } = await server.projects.create({ from: 'demo' }));
    for (let on = 0; on < 3; on++) await server.projects.edit(id, { revision: on }, [rename(`Name ${on}`)]);
    const copy = `${server.file}.copy`;
    fs.copyFileSync(server.file, copy);
    for (const ending of ['-wal', '-shm'])
      if (fs.existsSync(server.file + ending)) fs.copyFileSync(server.file + ending, copy + ending);
    const again = await testApp({ file: copy });
    const { document, revision, documentRevision } = await again.projects.read(id);
    expect([document.name, revision, documentRevision]).toEqual(['Name 2', 3, 0]);
    await again.end();
    await server.end();
  });

  it('are written when it ends', async () => {
    const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'stadion-written-'));
    const file = path.join(folder, 'stadion.db');
    const server = await testApp({ file });
    const { id: made } = await server.projects.create({ from: 'demo' });
    await server.projects.edit(made, { revision: 0 }, [rename('Written')]);
    await server.end();
    const again = await testApp({ file });
    expect(await again.projects.read(made)).toMatchObject({ documentRevision: 1, document: { name: 'Written' } });
    await again.end();
    fs.rmSync(folder, { recursive: true });
  });
});

describe('an edit of a large project', () => {
  it('is checked where it touches, and refused as before', async () => {
    ({ id } = await app.projects.add(documentOf(manyLevels(200, 20))));
    await send([edit([{ op: 'replace', path: '/levels/clover-steps/name', value: 'Clover' }])]);
    const wrong = await send(
      [edit([{ op: 'replace', path: '/levels/clover-steps-3/clock/limitSeconds', value: 5 }])],
      1,
    );
    expect(wrong.body.places[0].pointer).toMatch('/levels/clover-steps-3/clock/limitSeconds');
    const gone = await send([edit([{ op: 'remove', path: '/kinds/collectables/clover' }])], 1);
    expect(gone.body.places[0].message).toBe('There is no collectable “clover”.');
    expect((await send([edit([{ op: 'remove', path: '/slots/slot-9' }])], 1)).status).toBe(200);
  }, 20_000);
});

describe('a heavy history', () => {
  it('is sent in parts', async () => {
    ({ id } = await app.projects.create({ from: 'demo' }));
    const { document } = await app.projects.read(id);
    // Each edit and its way back hold the whole of a heavy part: about a megabyte.
    const heavy = (n: number): Edit =>
      edit(
        Array.from({ length: 12 }, () => [
          { op: 'replace' as const, path: '/levels', value: document.levels },
          { op: 'replace' as const, path: '/name', value: `Name ${n}` },
        ]).flat(),
      );
    for (let on = 0; on < 6; on++) await app.projects.edit(id, { revision: on }, [heavy(on)]);
    const opened = await request(app.express).get(`/api/projects/${id}`);
    expect((opened.body as OpenProject).recent.at(-1)!.revision).toBe(6);
    expect((opened.body as OpenProject).recent.length).toBeLessThan(6);
    const first = await request(app.express).get(`/api/projects/${id}/revisions?after=0`);
    const { revision, revisions } = first.body as { revision: number; revisions: { revision: number }[] };
    expect([revision, revisions[0]!.revision]).toEqual([6, 1]);
    expect(revisions.length).toBeLessThan(6);
    const rest = await request(app.express).get(`/api/projects/${id}/revisions?after=${revisions.length}`);
    expect(rest.body.revisions[0].revision).toBe(revisions.length + 1);
  }, 20_000);
});

describe('a history that was put back from a copy', () => {
  it('is distinguished from the history that a page knows, wherever the two part', async () => {
    const first = rename('A');
    await send([first]);
    const stale = edit([{ op: 'replace', path: '/name', value: 'B' }]);
    const other = (on: string) => send([rename('C')], on);
    // The page knows a revision that is not there any more, or another edit as the same revision.
    for (const on of ['7-edit-elsewhere', `1-${stale.id}`]) {
      const answer = await other(on);
      expect([answer.status, answer.body.code, answer.body.revision]).toEqual([409, 'history-other', 1]);
    }
    const missed = (query: string) => request(app.express).get(`/api/projects/${id}/revisions?${query}`);
    expect((await missed(`after=1&of=${stale.id}`)).body.code).toBe('history-other');
    expect((await missed('after=4')).body.code).toBe('history-other');
    expect((await missed(`after=1&of=${first.id}`)).body).toMatchObject({ revision: 1, revisions: [] });
    expect((await other(`1-${first.id}`)).status).toBe(200);
    expect((await send([rename('D')], `1-${first.id}`)).status).toBe(412);
  });
});
