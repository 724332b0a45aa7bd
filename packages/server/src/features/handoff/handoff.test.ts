import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '@stadion/core/demo';
import { documentOf } from '@stadion/core/model';
import request from 'supertest';
import { testApp } from '../../testing/testApp.ts';
import { fileReader } from '../../jobs/fileReader.ts';
import { projectFile, readFile } from '@stadion/files';

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
    const files = fileReader();
    const document = documentOf(homeBeforeDusk());
    expect(await files.read(projectFile(document))).toEqual({ ok: true, document });
    expect(await files.read('hello')).toMatchObject({ ok: false, detail: 'The file is not JSON.' });
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
