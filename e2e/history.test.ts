import { afterAll, beforeAll, describe, expect, it } from '@jest/globals';
import { Key } from 'selenium-webdriver';
import { journey } from '../harness/journey.ts';
import { openBrowser, type Page } from '../harness/browser.ts';

const at = journey({ own: true });

const setWarning = (page: Page, seconds: string): Promise<void> => page.typeInto('Warning time', seconds);
const warning = (seconds: number) => (project: Awaited<ReturnType<typeof at.document>>) =>
  JSON.stringify(project.levels['clover-steps']!.clock.warnAtSeconds) === `{"from":"number","value":${seconds}}`;
const undo = (page: Page): Promise<void> => page.chord('z', Key.CONTROL);
const redo = (page: Page): Promise<void> => page.chord('z', Key.CONTROL, Key.SHIFT);

describe('undo and redo', () => {
  it('take edits back and make them again, by name', async () => {
    const start = await at.document();
    await at.open('level/slot-1');
    await setWarning(at.page, '7');
    await at.saved('7', warning(7));
    await setWarning(at.page, '8');
    await at.saved('8', warning(8));
    await at.page.byName('button', 'Undo: Warning time of Clover Steps to 8');
    await undo(at.page);
    await at.saved('7 again', warning(7));
    await undo(at.page);
    await at.saved('the start', (p) => JSON.stringify(p) === JSON.stringify(start));
    await redo(at.page);
    await redo(at.page);
    await at.saved('8 once more', warning(8));
  });

  it('still know what to undo after the page is loaded again', async () => {
    await at.page.driver.navigate().refresh();
    await at.page.byName('button', 'Undo: Warning time of Clover Steps to 8');
    await undo(at.page);
    await at.saved('7', warning(7));
  });
});

describe('a tab closed in mid-edit', () => {
  it('loses nothing', async () => {
    const { driver } = at.page;
    const first = await driver.getWindowHandle();
    await driver.switchTo().newWindow('tab');
    await at.page.size(1280, 800);
    await at.open('level/slot-1');
    // Nudged, not yet committed: the chip waits a moment before it makes an edit of it.
    const chip = await at.page.byName('button', 'Warning time');
    await driver.executeScript('arguments[0].focus()', chip);
    await at.page.keys(Key.ARROW_UP);
    await driver.close();
    await driver.switchTo().window(first);
    await at.saved('8 from the closed tab', warning(8));
    await at.page.byName('button', /^Warning time: 8 s/);
  });
});

describe('a server killed in mid-edit', () => {
  it('holds every acknowledged edit, and gets the others when it is back', async () => {
    await setWarning(at.page, '20');
    await at.saved('20', warning(20));
    await at.server.kill();
    await setWarning(at.page, '21');
    await at.page.seeText(/Offline: 1 edit kept here/);
    await setWarning(at.page, '22');
    await at.page.seeText(/Offline: 2 edits kept here/);
    await at.server.start();
    await at.saved('22', warning(22));
    await at.page.seeText('All edits saved');
    await undo(at.page);
    await at.saved('21, each edit its own step', warning(21));
  });

  it('gets the edits even of a tab that was closed while it was down', async () => {
    await at.server.kill();
    await setWarning(at.page, '30');
    await at.page.seeText(/Offline: 1 edit kept here/);
    await at.page.driver.get('about:blank');
    await at.server.start();
    expect(warning(30)(await at.document())).toBe(false);
    await at.open('level/slot-1');
    await at.saved('30', warning(30));
    await at.page.byName('button', /^Warning time: 30 s/);
  });
});

describe('two tabs', () => {
  let other: Page;
  beforeAll(async () => {
    other = await openBrowser();
  }, 90_000);
  afterAll(() => other.quit());

  it('follow each other', async () => {
    await other.driver.get(`${at.server.address}/projects/${at.projectId}/level/slot-1`);
    await other.byName('button', /^Warning time: 30 s/);
    await setWarning(at.page, '11');
    await other.byName('button', /^Warning time: 11 s/);
    await undo(other);
    await at.page.byName('button', /^Warning time: 30 s/);
  });

  it('merge what does not clash and show what does', async () => {
    // One browser is cut off while both edit.
    const cut = other.cutOff;
    await cut(true);
    await setWarning(other, '15');
    await other.clickName('button', 'Clock starts at');
    await other.clickName('menuitem', 'the load');
    await other.seeText(/Offline: 2 edits kept here/);
    await setWarning(at.page, '16');
    await at.saved('16', warning(16));
    await cut(false);
    await other.seeText('Changed in two places at once.');
    // Reloading decides nothing: it is asked again, and what stands still stands.
    await other.driver.navigate().refresh();
    await other.seeText('Changed in two places at once.');
    await at.saved(
      'the clock from the load, merged',
      (p) => p.levels['clover-steps']!.clock.starts === 'load' && warning(16)(p),
    );
    await other.seeText('Warning time of Clover Steps to 15');
    await other.seeText('Warning time of Clover Steps to 16');
    await other.clickName('button', 'Use mine');
    await at.saved('15', warning(15));
    await at.page.byName('button', /^Warning time: 15 s/);
  });

  it('say so where the browser keeps nothing, and send it all the same', async () => {
    const refuses = `Object.defineProperty(window, 'indexedDB', { get() { throw new Error('refused'); } });`;
    const { driver } = other as unknown as { driver: { sendDevToolsCommand(name: string, of: object): Promise<void> } };
    await driver.sendDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', { source: refuses });
    await other.driver.navigate().refresh();
    await other.byName('button', /^Warning time: 15 s/);
    await other.cutOff(true);
    await setWarning(other, '17');
    await other.seeText('Offline: 1 edit in this page only, do not close it');
    await other.cutOff(false);
    await at.saved('17', warning(17));
  });
});

describe('a copy of the database that was put back', () => {
  it('is shown with the differences, and either can be kept', async () => {
    const { page, server } = at;
    await at.open('level/slot-1');
    await server.kill();
    server.copyDatabase();
    await server.start();
    await setWarning(page, '21');
    await at.saved('21', warning(21));
    await server.kill();
    server.restoreDatabase();
    await server.start();
    await page.seeText('The server has another history of this project.');
    await page.seeText(/Clover Steps: other clock/);
    expect(warning(21)(await at.document())).toBe(false);
    await page.clickName('button', 'Keep what this page has');
    await at.saved('21 again', warning(21));
    await page.seeText('All edits saved');
  });
});
