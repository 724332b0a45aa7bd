import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '@stadion/core/demo';
import { documentOf } from '@stadion/core/model';
import request from 'supertest';
import { testApp } from '../../testing/testApp.ts';
import { fileName, parameterFile, projectFile, readProjectFile } from './service.ts';

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

  it('that is too large is refused, not read', async () => {
    const answer = await send('x'.repeat(25 * 1024 * 1024));
    expect(answer.status).toBe(413);
  });

  it('reads what it writes', () => {
    const document = documentOf(homeBeforeDusk());
    expect(readProjectFile(projectFile(document))).toEqual(document);
  });
});

describe('the CSV of values', () => {
  it('keeps a name that looks like a formula as text', () => {
    const project = homeBeforeDusk();
    project.levels['clover-steps']!.name = '=1+1, "now"';
    expect(parameterFile(project).split('\r\n')[1]).toBe(`1,slot-1,"'=1+1, ""now""",2,0,0.5,48,9,5,2`);
  });
});

describe('a file name', () => {
  it.each([
    ['Home Before Dusk', 'home-before-dusk.json'],
    ['../../etc', 'etc.json'],
    ['夕暮れ', 'project.json'],
  ])('from %s is %s', (name, expected) => expect(fileName(name, 'json')).toBe(expected));
});
