import { describe, expect, it } from '@jest/globals';
import { Key } from 'selenium-webdriver';
import { journey } from '../harness/journey.ts';

const at = journey();
const focused = (): Promise<string> =>
  at.page.driver.executeScript<string>(
    `return document.activeElement.getAttribute('aria-label') ?? document.activeElement.tagName;`,
  );

describe('without a mouse', () => {
  it('a number is found, typed and nudged, and the focus stays where the work is', async () => {
    await at.open('level/slot-1');
    await at.page.tabTo('Warning time');
    await at.page.keys(Key.ENTER);
    await at.page.find('[role=dialog] input');
    await at.page.typeOver('14');
    await at.page.keys(Key.ENTER);
    await at.saved('14', (p) => JSON.stringify(p.levels['clover-steps']!.clock.warnAtSeconds).includes('14'));
    await at.page.waitFor('the focus back on the chip', async () => (await focused()).startsWith('Warning time: 14'));
    await at.page.keys(Key.ARROW_DOWN);
    await at.saved('13', (p) => JSON.stringify(p.levels['clover-steps']!.clock.warnAtSeconds).includes('13'));
  });

  it('a number follows a parameter', async () => {
    await at.page.keys('=');
    await at.page.waitFor(
      'the list',
      async () => (await focused()) !== 'BODY' && !(await focused()).startsWith('Warning'),
    );
    await at.page.keys(Key.ARROW_DOWN, Key.ENTER);
    await at.saved('bound', (p) => p.levels['clover-steps']!.clock.warnAtSeconds?.from === 'parameter');
  });

  it('a word is chosen from its menu', async () => {
    await at.page.tabTo('When the clock runs out');
    await at.page.keys(Key.ENTER);
    const item = (): Promise<string> =>
      at.page.driver.executeScript<string>(
        `return document.activeElement.role === 'menuitemradio' ? document.activeElement.innerText.trim() : '';`,
      );
    await at.page.waitFor('the first word', async () => (await item()).endsWith('it is lost'));
    await at.page.keys(Key.ARROW_DOWN);
    await at.page.waitFor('the second word', async () => (await item()).endsWith('it is won'));
    await at.page.keys(Key.ENTER);
    await at.saved('won at the end of the clock', (p) => p.levels['clover-steps']!.clock.atExpiry === 'win');
  });

  it('a lane is opened, its handle moved, a value pinned and let go', async () => {
    await at.page.keys('4');
    await at.page.waitFor('the ramps', async () => (await at.page.driver.getCurrentUrl()).includes('/ramps/'));
    await at.page.tabTo('Lane of Hornets sent');
    await at.page.keys(Key.ENTER);
    await at.page.seeText('starting at');
    await at.page.tabTo('Value of Hornets sent at level 1');
    await at.page.keys(Key.ARROW_UP);
    await at.saved('pinned', (p) => 'slot-1' in p.parameters[1]!.pins);
    await at.page.keys(Key.DELETE);
    await at.saved('let go', (p) => !('slot-1' in p.parameters[1]!.pins));
    const before = (await at.document()).parameters[1]!.ramp.shape;
    await at.page.tabTo('First step of Hornets sent');
    await at.page.keys(Key.ARROW_UP);
    await at.saved('a higher step', (p) => JSON.stringify(p.parameters[1]!.ramp.shape) !== JSON.stringify(before));
  });

  it('the keys of the screen are listed, and go away again', async () => {
    await at.page.keys('?');
    await at.page.seeText('Keys on this screen');
    await at.page.seeText('Move the level earlier');
    await at.page.keys(Key.ESCAPE);
    await at.page.waitFor('no list', async () => !(await at.page.textOf('body')).includes('Move the level earlier'));
  });

  it('findings are read and mended', async () => {
    await at.page.keys('f');
    await at.page.find('aside[aria-label=Findings]');
    await at.page.tabTo('Set to 29 s');
    await at.page.keys(Key.ENTER);
    await at.saved('the star', (p) => JSON.stringify(p.levels['lavender-bank']!.stars).includes('29'));
    expect((await at.document()).levels['lavender-bank']!.stars).toMatchObject({
      thresholds: [null, { value: 12 }, { from: 'number', value: 29 }],
    });
  });
});
