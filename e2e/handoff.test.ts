import { describe, expect, it } from '@jest/globals';
import { Ajv2020 } from 'ajv/dist/2020.js';
import { importProject } from '@stadion/core/exchange/formats';
import { projectOf, type ProjectDocument } from '@stadion/core/document/model';
import fs from 'node:fs';
import path from 'node:path';
import { journey } from '../harness/journey.ts';

const at = journey({ own: true });

const download = async (link: string, file: string): Promise<string> => {
  await at.page.clickName('link', link);
  const full = path.join(at.page.downloads, file);
  await at.page.waitFor(file, async () => fs.existsSync(full) && fs.statSync(full).size > 0);
  return fs.readFileSync(full, 'utf8');
};
const choose = async (name: string, text: string): Promise<void> => {
  const file = path.join(at.page.downloads, name);
  fs.writeFileSync(file, text);
  const input = await at.page.driver.findElement({ css: 'input[type=file]' });
  await input.sendKeys(file);
};

describe('the hand-off', () => {
  let json = '';

  it('gives the project as one file that its schema accepts', async () => {
    await at.open('hand-off/slot-1');
    json = await download('Download project.json', 'home-before-dusk.json');
    const schema = (await (await fetch(`${at.server.address}/api/schema/project.json`)).json()) as object;
    const validate = new Ajv2020({ strict: false, code: { optimize: false } }).compile(schema);
    expect(validate(JSON.parse(json))).toBe(true);
    expect(importProject(JSON.parse(json))).toMatchObject({ ok: true, project: await at.document() });
  });

  it('gives every value at every slot as CSV', async () => {
    const lines = (await download('Download values.csv', 'home-before-dusk-values.csv')).trimEnd().split('\r\n');
    expect(lines).toHaveLength(25);
    expect(lines[0]).toBe(
      'position,slot,level,hornetSpeed,hornetsSent,nectarNeeded,clock,nestRest,hornetSight,beetles,partyLevel,antStrength',
    );
    expect(lines[7]).toBe('7,slot-7,Lavender Bank,2.55,1,0.55,46,8,5,3,2,13');
  });

  it('reads the file back as a new project, identical', async () => {
    await choose('copy.json', json);
    await at.page.seeText('is imported with 24 levels');
    const original = await at.document();
    await at.page.clickName('link', 'Open it');
    await at.page.waitFor('the copy', async () => !(await at.page.driver.getCurrentUrl()).includes(at.projectId));
    const id = /projects\/([^/]+)/.exec(await at.page.driver.getCurrentUrl())![1]!;
    const copy = (await (await fetch(`${at.server.address}/api/projects/${id}`)).json()) as {
      document: ProjectDocument;
    };
    expect(projectOf(copy.document)).toEqual(original);
  });

  it.each([
    ['cut short', (text: string) => text.slice(0, 300), /Line \d+, column \d+: .*(missing|expected|closed)/],
    [
      'with a word for a number',
      (text: string) => text.replace('"every": 2', '"every": "often"'),
      /Line \d+, column \d+: \/parameters\/hornetSpeed\/ramp\/shape\/every/,
    ],
    [
      'with a slot that leads nowhere',
      (text: string) => text.replace('"levelId": "two-ponds"', '"levelId": "three-ponds"'),
      /\/slots\/slot-4\/levelId There is no level “three-ponds”/,
    ],
    ['from a newer Stadion', (text: string) => text.replace('"version": 3', '"version": 4'), /made by a newer Stadion/],
  ])('refuses a file %s, with the place', async (name, spoil, place) => {
    await at.open('hand-off/slot-1');
    const projects = async (): Promise<number> =>
      ((await (await fetch(`${at.server.address}/api/projects`)).json()) as { projects: unknown[] }).projects.length;
    const before = await projects();
    await choose(`${name}.json`, spoil(json));
    await at.page.seeText(`${name}.json was not imported.`);
    await at.page.seeText(place);
    await at.page.seeText('your projects are as they were');
    expect(await projects()).toBe(before);
  });
});
