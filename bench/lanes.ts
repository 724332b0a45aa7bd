import { manyLevels } from '@stadion/core/exchange/demo';
import { exportProject } from '@stadion/core/exchange/formats';
import { documentOf } from '@stadion/core/document/model';
import { openBrowser } from '../harness/browser.ts';
import { runServer } from '../harness/server.ts';

const EDITS = 15;
const FRAMES = 60;

/** Presses an arrow on the open lane's first handle, waits for the line to be another, and for the frame that shows it. */
const EDIT_TO_PICTURE = `
  const done = arguments[arguments.length - 1];
  const handle = [...document.querySelectorAll('[role=slider]')].find((s) => s.getAttribute('aria-label').startsWith('Start of'));
  const line = () => document.querySelector('li .pointer-events-none')?.getAttribute('d');
  const before = line();
  handle.focus();
  const start = performance.now();
  let worked = 0;
  const look = () => {
    if (line() === before) return requestAnimationFrame(look);
    done([worked, performance.now() - start]);
  };
  handle.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowUp', bubbles: true, cancelable: true }));
  worked = performance.now() - start;
  requestAnimationFrame(look);
`;

/** Scrolls by some px a frame and notes how long each frame took. */
const SCROLL = `
  const done = arguments[arguments.length - 1];
  const [box, by, frames, across] = arguments;
  const element = document.querySelector(box);
  const took = [];
  let last;
  const next = (now) => {
    if (last !== undefined) took.push(now - last);
    last = now;
    if (took.length >= frames) return done(took);
    element[across ? 'scrollLeft' : 'scrollTop'] += by;
    requestAnimationFrame(next);
  };
  requestAnimationFrame(next);
`;

const middle = (values: number[]): number => values.toSorted((a, b) => a - b)[Math.floor(values.length / 2)]!;
const worst = (values: number[]): number => values.toSorted((a, b) => a - b)[Math.floor(values.length * 0.95)]!;

/** The lanes and the grid of 500 levels with 60 parameters, in the built application in a browser. */
export async function lanesAtScale(say: (what: string, value: string, bar?: string) => void): Promise<void> {
  const server = await runServer();
  const page = await openBrowser();
  try {
    const answer = await fetch(`${server.address}/api/projects/import`, {
      method: 'POST',
      headers: { 'Content-Type': 'text/plain' },
      body: JSON.stringify(exportProject(documentOf(manyLevels(500, 60)))),
    });
    const { id } = (await answer.json()) as { id: string };
    await page.driver.get(`${server.address}/projects/${id}/ramps/slot-20?lane=extra40`);
    await page.byName('slider', /^Start of/);
    await page.driver.sleep(1500);
    const edits: [number, number][] = [];
    for (let i = 0; i < EDITS; i++) edits.push(await page.driver.executeAsyncScript<[number, number]>(EDIT_TO_PICTURE));
    say(
      '500 × 60: an edit in a lane, script until drawn, ms',
      middle(edits.map(([work]) => work)).toFixed(1),
      'bar 16',
    );
    say(
      '500 × 60: an edit in a lane to its picture, ms',
      middle(edits.map(([, all]) => all)).toFixed(1),
      'one frame or two',
    );
    const lanes = await page.driver.executeAsyncScript<number[]>(SCROLL, 'ul[aria-label^=Lanes]', 0, 5, false);
    say('a frame when nothing moves, ms', middle(lanes).toFixed(1));
    const scrolled = await page.driver.executeAsyncScript<number[]>(SCROLL, 'main .overflow-y-auto', 40, FRAMES, false);
    say(
      'scrolling lanes, ms a frame: middle, worst of 20',
      `${middle(scrolled).toFixed(1)}, ${worst(scrolled).toFixed(1)}`,
    );
    await page.clickName('radio', 'Numbers');
    await page.find('[role=gridcell]');
    const grid = await page.driver.executeAsyncScript<number[]>(SCROLL, '[role=grid]', 52, FRAMES, false);
    say('scrolling Numbers, ms a frame: middle, worst of 20', `${middle(grid).toFixed(1)}, ${worst(grid).toFixed(1)}`);
  } finally {
    await page.quit();
    await server.stop();
  }
}
