import fs from 'node:fs';
import path from 'node:path';
import { Key } from 'selenium-webdriver';
import { openBrowser, type Page } from './harness/browser.ts';
import { runServer } from './harness/server.ts';

const FOLDER = path.join(import.meta.dirname, '../docs/screenshots');

const server = await runServer();
const page = await openBrowser();
const projectsAddress = `${server.address}/api/projects`;
const { projects } = (await (await fetch(projectsAddress)).json()) as { projects: { id: string }[] };
const id = projects[0]!.id;

async function take(name: string): Promise<void> {
  fs.writeFileSync(path.join(FOLDER, `${name}.png`), Buffer.from(await page.driver.takeScreenshot(), 'base64'));
  process.stdout.write(`${name}.png\n`);
}

/** Opens a view and waits until what it computes is there. */
async function show(address: string, ready: string | RegExp, use: Page = page): Promise<void> {
  await use.driver.get(`${server.address}${address}`);
  await use.seeText(ready);
}

async function trackIsDone(): Promise<void> {
  await page.driver.wait(async () => {
    const answer = await fetch(`${projectsAddress}/${id}/forecasts/steady`);
    const { entries } = (await answer.json()) as { entries: { done: boolean }[] };
    return entries.every((entry) => entry.done);
  }, 300_000);
}

async function takeAll(): Promise<void> {
  fs.mkdirSync(FOLDER, { recursive: true });
  await show(`/projects/${id}/level/slot-7`, 'clear it');
  await trackIsDone();
  await show(`/projects/${id}/level/slot-7`, /attempts in [\d.]+ s ·/);
  await take('level');
  await show(`/projects/${id}/level/slot-21`, /attempts in [\d.]+ s ·/);
  await take('level-below-wanted');
  await page.keys('f');
  await page.find('aside[aria-label=Findings]');
  await take('findings');
  await page.keys('f');
  await show(`/projects/${id}/level/slot-24`, /attempts in [\d.]+ s ·/);
  await take('level-many-rules');
  await show(`/projects/${id}/level/slot-13`, /attempts in [\d.]+ s ·/);
  await page.clickName('button', /^Edge cases: all of/);
  await page.seeText('just below');
  await take('edge-cases');
  await show(`/projects/${id}/sequence/slot-5`, 'One run’s books');
  await take('sequence');
  await show(`/projects/${id}/ramps/slot-7?lane=hornetSpeed`, 'starting at');
  await take('ramps');
  await show(`/projects/${id}/hand-off/slot-7`, 'Download JSON');
  await take('hand-off');
  await show(`/projects/${id}/play/slot-7`, 'Judge');
  await page.driver.actions().keyDown(Key.ARROW_DOWN).perform();
  await page.waitFor('some way flown', async () =>
    page.driver.executeScript<boolean>(`return Number(document.querySelector('canvas').dataset.y) > 7;`),
  );
  await page.driver.actions().keyUp(Key.ARROW_DOWN).keyDown(Key.ARROW_RIGHT).perform();
  await page.waitFor('a hornet awake', async () =>
    page.driver.executeScript<boolean>(`return Number(document.querySelector('canvas').dataset.x) > 5.5;`),
  );
  await page.keys(' ');
  await page.driver.actions().keyUp(Key.ARROW_RIGHT).perform();
  await page.seeText('Go on');
  await take('play');
  await show(`/projects/${id}/play/slot-13`, 'Judge');
  await page.keys('b');
  await page.typeInto('Clover gathered', '9');
  await page.typeInto('Lavender gathered', '7');
  await page.typeInto('Place across', '18');
  await page.driver.executeScript(
    `document.querySelector('section[aria-label="Start from a state"] input[type=checkbox]').click()`,
  );
  await page.clickName('button', 'Start from this');
  await page.driver.actions().keyDown(Key.ARROW_RIGHT).perform();
  await page.waitFor('a win', async () =>
    page.driver.executeScript<boolean>(`return document.querySelector('canvas').dataset.phase === 'won';`),
  );
  await page.driver.actions().keyUp(Key.ARROW_RIGHT).perform();
  await page.clickName('button', 'Look back');
  await page.keys('b');
  await page.seeText('the deciding tick');
  await take('timeline');
  await show('/projects', 'Home Before Dusk');
  await take('projects');
}

try {
  await takeAll();
} finally {
  await page.quit();
  await server.stop();
}
