import fs from 'node:fs';
import path from 'node:path';
import { Key } from 'selenium-webdriver';
import { openBrowser, type Page } from '../harness/browser.ts';
import { groundPointer } from '../harness/ground.ts';
import { runServer } from '../harness/server.ts';

const FOLDER = path.join(import.meta.dirname, '../docs/screenshots');

const server = await runServer();
const page = await openBrowser();
const projectsAddress = `${server.address}/api/projects`;
const { projects } = (await (await fetch(projectsAddress)).json()) as { projects: { id: string }[] };
const id = projects[0]!.id;

async function take(name: string): Promise<void> {
  await page.waitFor('the findings', () =>
    page.driver.executeScript<boolean>(
      `return ![...document.querySelectorAll('header button')].some((one) => one.innerText.startsWith('…'));`,
    ),
  );
  fs.writeFileSync(path.join(FOLDER, `${name}.png`), Buffer.from(await page.driver.takeScreenshot(), 'base64'));
  process.stdout.write(`${name}.png\n`);
}

/** Opens a view and waits until what it computes is there. */
async function show(address: string, ready: string | RegExp, use: Page = page): Promise<void> {
  await use.driver.get(`${server.address}${address}`);
  await use.seeText(ready);
}

/** Waits until nothing that is shown is still being worked out. */
const allIsDone = (): Promise<unknown> =>
  page.driver.wait(
    async () => page.driver.executeScript<boolean>('return document.querySelector("[aria-busy=true]") === null'),
    300_000,
  );

/** Waits until the canvas that is played says so; fights on the way are taken as won. */
const playedUntil = (what: string, check: string): Promise<void> =>
  page.waitFor(what, async () => {
    const fight = 'return document.querySelector(`[aria-label="A fight on the way"]`) !== null';
    if (await page.driver.executeScript<boolean>(fight)) await page.keys('n');
    return page.driver.executeScript<boolean>(`const { dataset } = document.querySelector('canvas'); return ${check};`);
  });

async function trackIsDone(of = id): Promise<void> {
  await page.driver.wait(async () => {
    const answer = await fetch(`${projectsAddress}/${of}/forecasts/steady`);
    const { entries } = (await answer.json()) as { entries: { done: boolean }[] };
    return entries.every((entry) => entry.done);
  }, 300_000);
  // The page hears of it a moment later.
  await page.driver.sleep(500);
}

/** Views that edits lead to, in a project of their own. */
async function showTuning(): Promise<void> {
  const made = await fetch(projectsAddress, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ from: 'demo' }),
  });
  const own = ((await made.json()) as { id: string }).id;
  await show(`/projects/${own}/ramps/slot-13?lane=hornetSpeed`, 'starting at');
  await page.clickName('button', /^Compare/);
  await page.clickName('menuitem', /^Take a snapshot of now/);
  await page.find('input[aria-label="Name of the snapshot"]');
  await page.typeOver('Before the dusk pass');
  await page.keys(Key.ENTER);
  await page.seeText('nothing differs');
  await page.typeInto('Hornet speed adding', '0.12');
  await page.typeInto('Hornet speed at most', '2.9');
  await page.seeText('1 difference');
  await trackIsDone(own);
  await page.waitFor('all differences', async () =>
    page.driver.executeScript<boolean>(
      `const said = [...document.querySelectorAll('section[aria-label=Sequence] button[aria-label]')].map((b) => b.getAttribute('aria-label'));
       return said.filter((text) => text.includes('compared with')).length === 24;`,
    ),
  );
  await take('compare');
  await page.clickName('radio', 'Numbers');
  await page.click(await page.find('[role=gridcell][aria-colindex="2"]'));
  for (let i = 0; i < 3; i++) await page.chord(Key.ARROW_DOWN, Key.SHIFT);
  await take('numbers');
}

/** Sheets as they are at rest, or with every act in sight. */
async function showActs(all: boolean): Promise<void> {
  await page.driver.get(`${server.address}/api/health`);
  await page.driver.executeScript(`localStorage.setItem('stadion-all-acts', '${all ? 'yes' : 'no'}')`);
}

/** Building a level, in a project of its own. */
async function showBuilding(): Promise<void> {
  const made = await fetch(projectsAddress, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ from: 'demo' }),
  });
  const own = ((await made.json()) as { id: string }).id;
  await show(`/projects/${own}/kinds/slot-7`, 'To gather');
  await trackIsDone(own);
  await take('kinds');
  await show(`/projects/${own}/level/slot-14?view=ground`, 'Result');
  await page.seeText(/attempts in [\d.]+ s ·/);
  await allIsDone();
  await take('bouts');
  await show(`/projects/${own}/bouts/slot-9`, 'Who meets whom');
  await allIsDone();
  await page.driver.executeScript(
    `document.querySelector('section[aria-label="Meetings and pacing"]').scrollIntoView()`,
  );
  await take('pacing');
  await show(`/projects/${own}/level/slot-7?view=ground`, /attempts in [\d.]+ s ·/);
  for (const name of ['where they are lost', 'safe distances']) await page.clickName('button', name);
  const pointer = groundPointer({ page }, [24, 14]);
  await pointer.click(11, 10);
  await page.find('[aria-label="What is held: Hornet spawner 1"]');
  await pointer.drag([11, 10], [13, 7]);
  await page.seeText(/attempts in [\d.]+ s ·/);
  await trackIsDone(own);
  await take('ground');
  await page.driver.executeScript(`localStorage.setItem('stadion-my-name', 'Ines')`);
  await show(`/projects/${own}/level/slot-7`, /attempts in [\d.]+ s ·/);
  await page.typeInto('Warning time', '9');
  await page.typeInto('Wanted clear rate', '90');
  await trackIsDone(own);
  await page.keys('h');
  await page.clickName('button', /^Wanted at 7/);
  await take('history');
  await page.keys('h');
  await fetch(`${projectsAddress}/${own}`, { method: 'DELETE' });
}

/** Play on a kind of ground: some keys held for some ticks, then paused. */
async function showPlay(slot: number, name: string, keys: readonly string[], ticks: number): Promise<void> {
  await show(`/projects/${id}/play/slot-${slot}`, 'Judge');
  for (const key of keys) await page.driver.actions().keyDown(key).perform();
  await playedUntil('some ticks', `Number(dataset.tick) > ${ticks}`);
  await page.keys(' ');
  for (const key of keys) await page.driver.actions().keyUp(key).perform();
  await page.seeText('Go on');
  await take(name);
}

/** How the player moves otherwise. */
async function showKinds(): Promise<void> {
  await showPlay(6, 'play-cross', [Key.ARROW_LEFT], 30);
  await showPlay(20, 'play-leap', [Key.ARROW_RIGHT, Key.ARROW_UP], 30);
  await showPlay(22, 'play-lift', [Key.ARROW_UP], 70);
}

async function takeAll(): Promise<void> {
  fs.mkdirSync(FOLDER, { recursive: true });
  await showActs(false);
  await show(`/projects/${id}/level/slot-7`, 'clear it');
  await trackIsDone();
  await show(`/projects/${id}/level/slot-7`, /attempts in [\d.]+ s ·/);
  await take('level');
  await show(`/projects/${id}/level/slot-20`, /attempts in [\d.]+ s ·/);
  await page.keys('f');
  await page.find('aside[aria-label=Findings]');
  await take('findings');
  await page.keys('f');
  await show(`/projects/${id}/sequence/slot-5`, 'One run, attempt by attempt');
  await take('sequence');
  await show(`/projects/${id}/ramps/slot-7?lane=hornetSpeed`, 'starting at');
  await take('ramps');
  await show(`/projects/${id}/trials/slot-7`, 'forecasts known');
  await page.driver.wait(async () => {
    const text = await page.driver.executeScript<string>('return document.body.innerText');
    return (
      text.includes('All 72 forecasts known') && text.includes('go through all 24') && !text.includes('runs so far')
    );
  }, 600_000);
  await allIsDone();
  await take('trials');
  await showTuning();
  await showBuilding();
  await show(`/projects/${id}/hand-off/slot-7`, 'checks fail');
  await take('hand-off');
  await show(`/projects/${id}/play/slot-7`, 'Judge');
  await page.driver.actions().keyDown(Key.ARROW_DOWN).perform();
  await playedUntil('some way flown', 'Number(dataset.y) > 7');
  await page.driver.actions().keyUp(Key.ARROW_DOWN).keyDown(Key.ARROW_RIGHT).perform();
  await playedUntil('a hornet awake', 'Number(dataset.x) > 5.5');
  await page.keys(' ');
  await page.driver.actions().keyUp(Key.ARROW_RIGHT).perform();
  await page.seeText('Go on');
  await take('play');
  await showKinds();
  await show(`/projects/${id}/play/slot-13`, 'Judge');
  await page.keys('o');
  await page.typeInto('Clover gathered', '9');
  await page.typeInto('Lavender gathered', '7');
  await page.typeInto('Place across', '18');
  await page.driver.executeScript(
    `document.querySelector('section[aria-label="Start from a state"] input[type=checkbox]').click()`,
  );
  await page.clickName('button', 'Start from this');
  await page.driver.actions().keyDown(Key.ARROW_RIGHT).perform();
  await playedUntil('a win', 'dataset.phase === "won"');
  await page.driver.actions().keyUp(Key.ARROW_RIGHT).perform();
  await page.clickName('button', 'Look back');
  await page.keys('o');
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
