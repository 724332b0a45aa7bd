import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '@stadion/core/exchange/demo';
import type { ForecastEvent, HandOffSummary } from '@stadion/core/exchange/contract';
import { documentOf } from '@stadion/core/document/model';
import request from 'supertest';
import { testApp } from '../../testing/testApp.ts';
import { fileThread } from '../../jobs/fileThread.ts';
import { failuresOf, makeFile, projectFile, readFile } from '@stadion/files';

let app: Awaited<ReturnType<typeof testApp>>;
beforeAll(async () => {
  app = await testApp();
});
afterAll(() => app.end());

const send = (text: string) => request(app.express).post('/api/projects/import').type('text/plain').send(text);

describe('the project file', () => {
  it('comes back equal', async () => {
    const { id } = await app.projects.create({ from: 'demo' });
    const file = await request(app.express).get(`/api/projects/${id}/export.json`);
    expect(file.headers['content-disposition']).toBe('attachment; filename=home-before-dusk.json');
    const imported = await send(file.text);
    expect(imported.status).toBe(201);
    expect((await app.projects.read((imported.body as { id: string }).id)).document).toEqual(
      documentOf(homeBeforeDusk()),
    );
  });

  it.each([
    ['a missing brace', '{\n  "format": "stadion-project",\n  "name": "A"', 3, 14],
    ['a comma too many', '{\n  "format": "stadion-project",\n}', 3, 1],
    ['no JSON at all', 'hello', 1, 1],
  ])('with %s is refused with line and column', async (_case, text, line, column) => {
    const answer = await send(text);
    expect(answer.status).toBe(422);
    expect(answer.body.places[0]).toMatchObject({ line, column });
    expect(answer.body.kept).toContain('Nothing was imported');
  });

  it('with a wrong value is refused at the line of the value', async () => {
    const text = projectFile(documentOf(homeBeforeDusk())).replace('"graceSeconds": 1.5', '"graceSeconds": "long"');
    const line = text.slice(0, text.indexOf('"long"')).split('\n').length;
    const answer = await send(text);
    expect(answer.body.places[0]).toMatchObject({ pointer: '/player/graceSeconds', line });
  });

  it.each([
    ['nested without end', '['.repeat(200_000), 422],
    ['with brackets in its strings', JSON.stringify({ format: '['.repeat(5000) }), 422],
    [
      'with a hundred thousand entries',
      `{"format":"stadion-project",${Array.from({ length: 100_000 }, (_, i) => `"k${i}":1`).join()}}`,
      422,
    ],
  ])('%s is refused with a word', async (_case, text, status) => {
    const answer = await send(text);
    expect([answer.status, answer.body.code]).toEqual([status, 'bad-file']);
  });

  it('that is not UTF-8 is refused, not read with replacement marks', async () => {
    const bytes = Buffer.from(projectFile(documentOf(homeBeforeDusk())).replace('Clover Steps', 'Trèfle'), 'latin1');
    const post = (type: string) =>
      request(app.express).post('/api/projects/import').set('Content-Type', type).send(bytes);
    expect((await post('text/plain')).status).toBe(415);
    const declared = await post('text/plain; charset=iso-8859-1');
    expect(declared.status).toBe(201);
    const { document } = await app.projects.read((declared.body as { id: string }).id);
    expect(document.levels['clover-steps']!.name).toBe('Trèfle');
  });

  it('is read in a thread of its own, the same', async () => {
    const files = fileThread();
    const document = documentOf(homeBeforeDusk());
    expect(await files.read(projectFile(document))).toEqual({ ok: true, document });
    expect(await files.read('hello')).toMatchObject({ ok: false, detail: 'The file is not JSON.' });
    const rates = new Map([['slot-7', { clearRate: 0.913, low: 0.88, high: 0.94 }]]);
    for (const name of ['project.json', 'sheets.md'] as const)
      expect(await files.make({ name, document, rates })).toBe(makeFile(name, document, rates));
    expect(await files.failures({ document, forecasts: new Map() })).toEqual(failuresOf(document));
    await files.close();
  }, 30_000);

  it('that is too large is refused, not read', async () => {
    const answer = await send('x'.repeat(25 * 1024 * 1024));
    expect(answer.status).toBe(413);
  });

  it('reads what it writes', () => {
    const document = documentOf(homeBeforeDusk());
    expect(readFile(projectFile(document))).toEqual({ ok: true, document });
  });
});

describe('a hand-off', () => {
  const over = (id: string, body: object) => request(app.express).post(`/api/projects/${id}/hand-offs`).send(body);
  const kept = async (id: string) =>
    (await request(app.express).get(`/api/projects/${id}/hand-offs`)).body.handOffs as HandOffSummary[];

  it('is refused while checks fail, unless a reason is given, which is kept with it', async () => {
    const project = homeBeforeDusk();
    project.expectations = [];
    const { id } = await app.projects.add(documentOf(project));
    const { body: checks } = await request(app.express).get(`/api/projects/${id}/checks`);
    expect(checks.revision).toBe(0);
    expect(checks.failures).toHaveLength(2);
    expect(checks.failures[0]).toMatch(/^11 Sunlit Ponds: stops play/);
    expect(checks.failures[1]).toMatch(/^17 The Greedy Bee: stops play/);
    const refused = await over(id, { label: 'Build 41' });
    expect((refused.body.places as { message: string }[]).map(({ message }) => message)).toEqual(checks.failures);
    expect([refused.status, refused.body.code, refused.body.kept]).toEqual([
      409,
      'hand-off-refused',
      'Nothing was handed over.',
    ]);
    expect(refused.body.places.map(({ message }: { message: string }) => message)).toContainEqual(
      expect.stringContaining('The target is beyond what is placed: nobody can win.'),
    );
    expect(await kept(id)).toEqual([]);
    const given = await over(id, { label: ' Build 41 ', reason: 'Both are mended in build 42' });
    expect(given.status).toBe(201);
    expect(await kept(id)).toEqual([
      expect.objectContaining({ label: 'Build 41', failed: 2, reason: 'Both are mended in build 42' }),
    ]);
    const file = await request(app.express).get(`${given.headers['location']}/files/hand-off.json`);
    expect(file.body).toEqual(JSON.parse(makeFile('hand-off.json', documentOf(project))));
  });

  it('keeps a reason that is given though nothing fails here', async () => {
    const { id } = await app.projects.create({ from: 'empty', name: 'Quiet' });
    expect((await over(id, { label: 'First', reason: 'A page saw more' })).body).toMatchObject({
      failed: 0,
      reason: 'A page saw more',
    });
    expect((await over(id, { label: 'Second' })).body).toMatchObject({ failed: 0, reason: null });
  });

  it('is held against expected clear rates that are known', async () => {
    const project = homeBeforeDusk();
    project.slots = project.slots.slice(0, 2);
    project.expectations = [
      { id: 'hard', is: 'clearRate', slotId: 'slot-1', pacer: 'sharp', low: 0, high: 0.01 },
      { id: 'open', is: 'clearRate', slotId: 'slot-2', pacer: 'sharp', low: 0, high: 1 },
    ];
    const { id } = await app.projects.add(documentOf(project));
    const forecast = async (pacer: string) => {
      const { entries } = (await request(app.express).get(`/api/projects/${id}/forecasts/${pacer}`)).body as {
        entries: ForecastEvent[];
      };
      return entries.find(({ slotId }) => slotId === 'slot-1')!;
    };
    const known = async (pacer: string): Promise<void> => {
      while (!(await forecast(pacer)).done) await new Promise((later) => setTimeout(later, 20));
    };
    await known('sharp');
    const refused = await over(id, { label: 'Build 41' });
    expect(refused.body.detail).toMatch(/^One check fails/);
    expect(refused.body.places.map(({ message }: { message: string }) => message)).toContainEqual(
      expect.stringMatching(/^1 Clover Steps: \d+(\.\d)? %/),
    );
    // Sheets have the rates of the usual pacer as far as they are known.
    await known('steady');
    const sheets = await request(app.express).get(`/api/projects/${id}/files/sheets.html`);
    expect(/Forecast [\d.]+ % \([\d.]+ % to [\d.]+ %\)/.exec(sheets.text)).not.toBeNull();
  }, 60_000);
});
