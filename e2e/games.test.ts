import { describe, expect, it } from '@jest/globals';
import { valuesAt } from '@stadion/core/document/ramps';
import { gzipSync } from 'node:zlib';
import { Key } from 'selenium-webdriver';
import { holdKey } from '../harness/playing.ts';
import { editElsewhere } from '../harness/editElsewhere.ts';
import { journey } from '../harness/journey.ts';

const at = journey();
let stadion: string;
let game: string;

const field = async (label: string, text: string): Promise<void> => {
  const input = await at.page.driver.findElement({ xpath: `//label[contains(., "${label}")]//input` });
  await at.page.click(input);
  await at.page.chord('a', Key.CONTROL);
  await at.page.keys(text);
};
const inGame = async <T>(script: string): Promise<T> => {
  await at.page.driver.switchTo().window(game);
  return at.page.driver.executeScript<T>(script);
};
const toStadion = (): Promise<void> => at.page.driver.switchTo().window(stadion);
const speed = (): Promise<number> => inGame<string>('return document.body.dataset.speed').then(Number);

/** An edit by somebody else. */
const elsewhere = (path: string, value: unknown): Promise<void> =>
  editElsewhere(`${at.server.address}/api/projects/${at.projectId}`, 'From elsewhere', [
    { op: 'replace', path, value },
  ]);

describe('handing over', () => {
  it('asks for a reason while checks fail, and keeps it with the hand-off', async () => {
    await at.open('hand-off/slot-7');
    await at.page.seeText('2 checks fail');
    await at.page.seeText('17 The Greedy Bee: stops play: The target is beyond what is placed: nobody can win.');
    await at.page.seeText('While a check fails, a reason is asked for.');
    await field('Label', 'Build 41');
    await field('Why it is handed over so', 'Both are mended in build 42');
    await at.page.clickName('button', 'Hand over');
    await at.page.seeText('Changed since “Build 41”');
    await at.page.seeText('Nothing: the game has what stands here.');
    await at.page.seeText('2 failed: Both are mended in build 42');
  });

  it('says in words what changed since', async () => {
    await at.open('ramps/slot-7?lane=hornetSpeed');
    await at.page.typeInto(/^Hornet speed pinned at level 7/, '2.9');
    await at.saved('a pin', (p) => p.parameters.find(({ key }) => key === 'hornetSpeed')!.pins['slot-7'] === 2.9);
    await at.open('hand-off/slot-7');
    await at.page.seeText(/Hornet speed: pin at 7 2\.55 → 2\.9/);
  });
});

describe('the runtime', () => {
  it('is one file below 12,000 bytes, without schemas or a parser', async () => {
    const text = await (await fetch(`${at.server.address}/sample/stadion-runtime.js`)).text();
    expect(gzipSync(text).length).toBeLessThan(12_000);
    expect(text).not.toMatch(/\bimport\s*[{(*]|strictObject|parseFormula/);
  });
});

describe('level sheets', () => {
  it('open as a page of paper for each level', async () => {
    const { driver } = at.page;
    stadion = await driver.getWindowHandle();
    await at.page.clickName('link', 'Open sheets.html to print');
    await at.page.waitFor('a second window', async () => (await driver.getAllWindowHandles()).length === 2);
    const page = (await driver.getAllWindowHandles()).find((one) => one !== stadion)!;
    await driver.switchTo().window(page);
    await at.page.seeText('24 Home Before Dusk');
    expect(await driver.executeScript(`return document.querySelectorAll('section.level svg.ground').length`)).toBe(24);
    const printer = driver as unknown as { printPage(options: object): Promise<string> };
    const data = await printer.printPage({ background: true });
    // Every level begins a page of its own.
    expect(
      (
        Buffer.from(data, 'base64')
          .toString('latin1')
          .match(/\/Type \/Page\b/g) ?? []
      ).length,
    ).toBeGreaterThan(24);
    await driver.close();
    await driver.switchTo().window(stadion);
  });
});

describe('a running game', () => {
  it('plays what is handed over, and receives every edit', async () => {
    const { driver } = at.page;
    await at.page.clickName('link', 'Play level 7 in the sample game');
    await at.page.waitFor('a second window', async () => (await driver.getAllWindowHandles()).length === 2);
    game = (await driver.getAllWindowHandles()).find((one) => one !== stadion)!;
    await at.page.waitFor('the game at level 7', async () => (await speed()) === 2.9);
    await toStadion();
    await at.page.seeText('Connected: Sample game');
    await at.open('ramps/slot-7?lane=hornetSpeed');
    await at.page.typeInto(/^Hornet speed pinned at level 7/, '3.3');
    await at.page.waitFor('the new speed in the game', async () => (await speed()) === 3.3);
  });

  it('hears of what somebody else edits, too', async () => {
    await elsewhere('/parameters/hornetSpeed/pins/slot-7', 3.1);
    await at.page.waitFor('the latest speed in the game', async () => (await speed()) === 3.1);
  });

  it('plays on past the last level with the numbers that the ramps go on to', async () => {
    await elsewhere('/run/afterLast', 'goOn');
    await inGame(`location.search = location.search.replace('level=7', 'level=31')`);
    const speeds = valuesAt(await at.document(), 31)['hornetSpeed'];
    await at.page.waitFor('the speed at the seventh level of the second round', async () => (await speed()) === speeds);
    expect(speeds).not.toBe(3.1);
    expect(await inGame<string>(`return document.getElementById('level').value`)).toBe('7');
  });

  it('fights by keys where a bout decides, by the same code', async () => {
    await inGame(
      `const list = document.getElementById('level'); list.value = '14'; list.dispatchEvent(new Event('change'));`,
    );
    const said = (): Promise<string> => inGame<string>(`return document.getElementById('said').textContent`);
    await at.page.waitFor('the end of the fight', async () => {
      await at.page.keys('1', '1', '1', '1');
      return /^(Won|Lost: The party is beaten)/.test(await said());
    });
    const text = await (await fetch(`${at.server.address}/sample/stadion-fights.js`)).text();
    expect(gzipSync(text).length).toBeLessThan(8000);
    expect(text).not.toMatch(/\bimport\s*[{(*]|strictObject|parseFormula/);
  });

  it.each([1, 6, 8, 20, 15])('moves by keys on level %d, and judges by the runtime', async (level) => {
    await inGame(
      `const list = document.getElementById('level'); list.value = '${level}'; list.dispatchEvent(new Event('change'));`,
    );
    await at.page.driver.executeScript(`document.getElementById('field').focus()`);
    const clock = (): Promise<string> => inGame<string>(`return document.getElementById('readings').textContent`);
    const before = await clock();
    await holdKey(at, level === 15 ? Key.ARROW_UP : Key.ARROW_RIGHT, 'a clock that runs', async () => {
      const now = await clock();
      return now !== before && /^\d+\.\d s · lives \d/.test(now);
    });
    expect(await inGame<string>(`return document.getElementById('level').value`)).toBe(String(level));
  });

  it('tells what is played: it is counted, and comes out as lines', async () => {
    const lines = async (): Promise<{ type: string; data: { slot: string } }[]> =>
      (await (await fetch(`${at.server.address}/api/projects/${at.projectId}/events.jsonl`)).text())
        .split('\n')
        .filter(Boolean)
        .map((line) => JSON.parse(line) as { type: string; data: { slot: string } });
    await at.page.waitFor(
      'six attempts',
      async () =>
        new Set((await lines()).filter(({ type }) => type === 'attempt.started').map(({ data }) => data.slot)).size >=
        6,
    );
    await toStadion();
    await at.open('hand-off/slot-7');
    await at.page.seeText(/the last one .*attempt\.started at level 15/);
  });
});
