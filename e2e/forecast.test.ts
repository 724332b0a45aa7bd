import { describe, expect, it } from '@jest/globals';
import { Key } from 'selenium-webdriver';
import { journey } from '../harness/journey.ts';
import { keepSlots } from '../harness/shorten.ts';

const at = journey({ own: true, trials: true });

const panel = async (): Promise<string> => (await at.page.find('aside[aria-label=Forecast]')).getText();
const attempts = async (): Promise<number> => Number(/([\d,]+) attempts in/.exec(await panel())?.[1] ?? 0);
const settled = (): Promise<void> =>
  at.page.waitFor('a whole forecast', async () => /attempts in [\d.]+ s ·/.test(await panel()));

describe('the forecast', () => {
  it('gives clear rate with interval, time, stars and endings', async () => {
    await at.open('level/slot-9');
    await settled();
    const text = await panel();
    expect(text).toMatch(/\d+ %\nclear it, ±\d/);
    expect(text).toMatch(/[\d.]+ s median time/);
    expect(text).toMatch(/Cleared ★+ \d+ %/);
    expect(text).toContain('Out of lives: hornet');
    expect(text).toContain('wanted');
    expect(await attempts()).toBeGreaterThan(60);
    const bars = await at.page.find('aside[aria-label=Forecast] canvas');
    expect((await bars.getRect()).width).toBeGreaterThan(300);
  });

  it('is the very same where more cores play it', async () => {
    const inFull = async (): Promise<string> => (await panel()).replace(/attempts in [\d.]+ s/, 'attempts');
    const before = await inFull();
    const { driver } = at.page;
    await driver.sendDevToolsCommand('Emulation.setHardwareConcurrencyOverride', { hardwareConcurrency: 4 });
    await driver.navigate().refresh();
    await settled();
    expect(await inFull()).toBe(before);
    // A core for the page, one for the worker that asks, two that help it.
    const { targetInfos } = (await driver.sendAndGetDevToolsCommand('Target.getTargets', {})) as unknown as {
      targetInfos: { targetId: string; parentId?: string; url: string }[];
    };
    const threads = targetInfos.filter(({ url }) => url.includes('engine.worker'));
    const helping = targetInfos.filter(({ parentId }) => threads.some(({ targetId }) => targetId === parentId));
    expect(helping).toHaveLength(2);
  });

  it('follows an edit by itself, old numbers dimmed until the new ones come', async () => {
    const before = await panel();
    // From here on the panel is watched: how often it was dimmed.
    await at.page.driver.executeScript(
      `window.__dimmed = 0;
       const panel = document.querySelector('aside[aria-label=Forecast]');
       new MutationObserver(() => { if (panel.querySelector('.opacity-45')) window.__dimmed++; }).observe(panel, { subtree: true, attributes: true, attributeFilter: ['class'] });`,
    );
    await at.page.clickName('button', 'lavender gathered');
    await at.page.find('[role=dialog] input');
    await at.page.typeOver('6');
    await at.page.keys(Key.ENTER);
    await at.page.waitFor(
      'a dimmed panel',
      async () => (await at.page.driver.executeScript<number>('return window.__dimmed;')) > 0,
    );
    await settled();
    expect(await panel()).not.toBe(before);
  });

  it('leaves the forecast alone when an edit does not matter to it', async () => {
    const count = await panel();
    await at.page.keys(Key.F2);
    await at.page.byName('textbox', 'Name of the level');
    await at.page.typeOver('Six Lavenders');
    await at.page.keys(Key.ENTER);
    await at.page.seeText('Six Lavenders');
    expect(await panel()).toBe(count);
  });

  it('is made by each of three pacers', async () => {
    const rate = async (): Promise<number> => Number(/(\d+) %\nclear it/.exec(await panel())?.[1]);
    await at.page.clickName('radio', 'Novice');
    await settled();
    const novice = await rate();
    await at.page.clickName('radio', 'Sharp');
    await at.page.waitFor('a better rate', async () => (await rate()) > novice);
    await at.page.clickName('radio', 'Steady');
  });

  it('moves a star threshold on its distribution by the keys', async () => {
    await settled();
    const handle = await at.page.byName('slider', /^2 stars/);
    await at.page.driver.executeScript('arguments[0].focus()', handle);
    await at.page.keys(Key.ARROW_RIGHT);
    await at.saved('13 s for two stars', (p) =>
      JSON.stringify(p.levels['four-lavenders']!.stars).includes('"value":13'),
    );
  });
});

describe('the track', () => {
  it('shows the clear rate of every slot as the server computes them', async () => {
    const known = (): Promise<number> =>
      at.page.driver.executeScript<number>(
        `return [...document.querySelectorAll('section[aria-label=Sequence] button')].filter((b) => /: clear rate \\d+ %/.test(b.getAttribute('aria-label') ?? '')).length;`,
      );
    await at.page.waitFor('all 24', async () => (await known()) === 24);
    await at.page.byName('button', /^17 The Greedy Bee: clear rate 0 %/);
    await at.page.byName('button', /^11 Sunlit Ponds: clear rate 100 %/);
  });

  it('has them from the store after a restart, without playing again', async () => {
    const list = async (): Promise<{ slotId: string; done: boolean; key: string }[]> => {
      const answer = await fetch(`${at.server.address}/api/projects/${at.projectId}/forecasts/steady`);
      return ((await answer.json()) as { entries: { slotId: string; done: boolean; key: string }[] }).entries;
    };
    await keepSlots(`${at.server.address}/api/projects/${at.projectId}`, ['slot-11', 'slot-17']);
    await at.page.waitFor('slot 11 done', async () => (await list()).find((entry) => entry.slotId === 'slot-11')!.done);
    await at.server.kill();
    await at.server.start();
    expect((await list()).find((entry) => entry.slotId === 'slot-11')!.done).toBe(true);
  });
});
