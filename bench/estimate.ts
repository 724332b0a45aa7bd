import { Key } from 'selenium-webdriver';
import { openBrowser } from '../harness/browser.ts';
import { runServer } from '../harness/server.ts';

const WATCH = `
  const done = arguments[arguments.length - 1];
  const panel = () => document.querySelector('aside[aria-label=Forecast]');
  const start = performance.now();
  const look = () => {
    const text = panel()?.innerText ?? '';
    if (/attempts in/.test(text) && !panel().querySelector('.opacity-45')) done(performance.now() - start);
    else requestAnimationFrame(look);
  };
`;

/** From opening a level, and from an edit, to the first numbers on screen, in the built application in a browser. */
export async function timeToEstimate(say: (what: string, value: string, bar?: string) => void): Promise<void> {
  const server = await runServer();
  const page = await openBrowser();
  try {
    const { projects } = (await (await fetch(`${server.address}/api/projects`)).json()) as {
      projects: { id: string }[];
    };
    const address = `${server.address}/projects/${projects[0]!.id}/level/slot-9`;
    await page.driver.get(address);
    const cold = await page.driver.executeAsyncScript<number>(`${WATCH} look();`);
    say('first estimate after opening, ms (cold)', cold.toFixed(0));
    await page.seeText(/attempts in [\d.]+ s ·/);
    // The track's own trials on the server take a core: let them come to their end first.
    await page.driver.wait(async () => {
      const { entries } = (await (
        await fetch(`${server.address}/api/projects/${projects[0]!.id}/forecasts/steady`)
      ).json()) as { entries: { done: boolean }[] };
      return entries.every((entry) => entry.done);
    }, 240_000);
    const warm: number[] = [];
    for (const lives of ['5', '6', '7', '8', '9']) {
      await page.clickName('button', 'lavender gathered');
      await page.find('[role=dialog] input');
      await page.typeOver(String(Number(lives) % 7));
      const measured = page.driver.executeAsyncScript<number>(
        `${WATCH} document.querySelector('[role=dialog] input').addEventListener('keydown', () => setTimeout(() => requestAnimationFrame(look), 30), { once: true });
         document.querySelector('[role=dialog] input').dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));`,
      );
      warm.push(await measured);
      await page.keys(Key.ESCAPE);
      await page.seeText(/attempts in [\d.]+ s ·/);
    }
    say(
      'first estimate after an edit, ms (warm, middle of 5)',
      warm.toSorted((a, b) => a - b)[2]!.toFixed(0),
      'bar 150',
    );
    const text = await page.textOf('aside[aria-label=Forecast]');
    say('the whole forecast of a demo level', /[\d.]+ attempts in [\d.]+ s/.exec(text)?.[0] ?? '', 'bar 1 s');
  } finally {
    await page.quit();
    await server.stop();
  }
}
