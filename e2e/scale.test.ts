import { beforeAll, describe, expect, it } from '@jest/globals';
import { manyLevels } from '@stadion/core/exchange/demo';
import { exportProject } from '@stadion/core/exchange/formats';
import { documentOf, projectOf, type Project, type ProjectDocument } from '@stadion/core/document/model';
import { Key } from 'selenium-webdriver';
import { journey } from '../harness/journey.ts';

const at = journey({ trials: true });
let large = '';

beforeAll(async () => {
  const answer = await fetch(`${at.server.address}/api/projects/import`, {
    method: 'POST',
    headers: { 'Content-Type': 'text/plain' },
    body: JSON.stringify(exportProject(documentOf(manyLevels(500, 60)))),
  });
  large = ((await answer.json()) as { id: string }).id;
});

const readLarge = async (): Promise<Project> => {
  const answer = await fetch(`${at.server.address}/api/projects/${large}`);
  return projectOf(((await answer.json()) as { document: ProjectDocument }).document);
};
const open = async (path: string): Promise<void> => {
  await at.page.driver.get(`${at.server.address}/projects/${large}/${path}`);
  await at.page.find('section[aria-label=Sequence]');
};
const shown = (): Promise<number[]> =>
  at.page.driver.executeScript<number[]>(
    `return [...document.querySelectorAll('section[aria-label=Sequence] button[aria-label^="Move "]')].map((b) => Number(b.textContent));`,
  );

describe('500 levels with 60 parameters', () => {
  it('open at the slot of the address, its column in sight and readable', async () => {
    await open('level/slot-400');
    await at.page.seeText('Sequence · 500 levels');
    expect(await shown()).toContain(400);
    const column = await at.page.byName('button', /^400 /);
    expect((await column.getRect()).width).toBeGreaterThanOrEqual(30);
    expect((await shown()).length).toBeLessThan(80);
  });

  it('step on by keys, the track going along', async () => {
    for (let i = 0; i < 5; i++) await at.page.keys(']');
    await at.page.waitFor('slot 405', async () => (await at.page.driver.getCurrentUrl()).endsWith('/slot-405'));
    expect(await shown()).toContain(405);
  });

  it('are gone through by the overview', async () => {
    const overview = await at.page.find('[role=scrollbar]');
    await at.page.driver.executeScript('arguments[0].focus()', overview);
    await at.page.keys(Key.HOME);
    await at.page.waitFor('the first', async () => (await shown()).includes(1));
    await at.page.keys(Key.END);
    await at.page.waitFor('the last', async () => (await shown()).includes(500));
    expect(await at.page.driver.getCurrentUrl()).toContain('/slot-405');
  });

  it('show only the lanes in sight, and the open one', async () => {
    await open('ramps/slot-20?lane=extra40');
    await at.page.byName('button', /^Lane of .* 40$/);
    await at.page.seeText('starting at');
    const lanes = await at.page.driver.executeScript<number>(
      `return document.querySelectorAll('ul[aria-label^=Lanes] > li').length;`,
    );
    expect(lanes).toBeLessThan(14);
  });

  it('take an edit', async () => {
    await open('level/slot-3');
    await at.page.typeInto('Wanted clear rate', '66');
    await at.page.seeText('All edits saved');
    expect((await readLarge()).slots[2]!.wanted).toBe(0.66);
  });
});

describe('windows of every width', () => {
  it.each([
    [1024, 768],
    [1280, 800],
    [1920, 1080],
  ])('%d × %d: nothing reaches out of the window', async (width, height) => {
    await at.page.size(width, height);
    for (const path of ['level/slot-7', 'ramps/slot-7?lane=hornetSpeed', 'hand-off/slot-7']) {
      await at.open(path);
      const outside = await at.page.driver.executeScript<string[]>(
        `return [...document.querySelectorAll('header *, main button, main h1, main h2, aside button')]
           .filter((e) => { const b = e.getBoundingClientRect(); return b.width > 0 && (b.right > innerWidth + 1 || b.left < -1); })
           .map((e) => e.outerHTML.slice(0, 120));`,
      );
      expect(outside).toEqual([]);
    }
    await at.page.size(1280, 800);
  });
});

describe('an address that leads nowhere', () => {
  it.each([
    ['projects/none/level', 'There is no such project'],
    ['somewhere/else', 'Projects'],
  ])('/%s says so', async (path, text) => {
    await at.page.driver.get(`${at.server.address}/${path}`);
    await at.page.seeText(text);
  });

  it('a slot that is gone gives way to the first', async () => {
    await at.open('level/slot-999');
    await at.page.waitFor('the first level', async () => (await at.page.textOf('h1')).includes('Clover Steps'));
  });

  it('stand in a grid that draws what is in sight only, and is gone through by keys', async () => {
    await open('ramps/slot-20');
    await at.page.clickName('radio', 'Numbers');
    await at.page.click(await at.page.find('[role=gridcell][aria-colindex="2"]'));
    await at.page.chord(Key.END, Key.CONTROL);
    await at.page.seeText(/at 500: shape/);
    const cells = await at.page.driver.executeScript<number>(
      `return document.querySelectorAll('[role=gridcell]').length;`,
    );
    expect(cells).toBeGreaterThan(50);
    expect(cells).toBeLessThan(900);
    await at.page.keys('3', Key.ENTER);
    await at.page.waitFor('a pin at the very end', async () => {
      return (await readLarge()).parameters.at(-1)?.pins['slot-500'] === 3;
    });
  });
});
