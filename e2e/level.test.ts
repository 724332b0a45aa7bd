import { describe, expect, it } from '@jest/globals';
import type { Condition, Level, Project } from '@stadion/core/document/model';
import { Key } from 'selenium-webdriver';
import { journey } from '../harness/journey.ts';

const at = journey();

const clover = (project: Project): Level => project.levels['clover-steps']!;
const conditions = (level: Level): Condition[] => {
  const { when } = level.rules[0]!;
  return 'of' in when ? when.of : [];
};
const typeInto: typeof at.page.typeInto = (chip, text) => at.page.typeInto(chip, text);

describe('the level in sentences', () => {
  it('reads as what it means', async () => {
    await at.open('level/slot-1');
    await at.page.seeText('nectar gathered');
    await at.page.seeText('= “Nectar needed”, 50 % of 124 placed');
    await at.page.seeText('the bee is inside Hive mouth');
    await at.page.seeText('a hornet touches the bee');
    await at.page.seeText('62 needed, 62 to spare');
    await at.page.seeText('counting down from');
  });

  it('changes a number by typing, with arithmetic', async () => {
    await typeInto('nectar gathered', '20*2+10');
    await at.saved('50 needed', (p) => JSON.stringify(conditions(clover(p))[0]).includes('"value":50'));
    await at.page.seeText('50 needed, 74 to spare');
  });

  it('refuses bad input at the chip, says why, and keeps what was', async () => {
    await typeInto('nectar gathered', 'plenty');
    await at.page.seeText('“plenty” is not a number');
    await at.page.seeText('Kept: 50.');
    await at.page.typeOver('-4');
    await at.page.keys(Key.ENTER);
    await at.page.seeText('At least 0.');
    await at.page.keys(Key.ESCAPE);
    expect(JSON.stringify(conditions(clover(await at.document()))[0])).toContain('"value":50');
  });

  it('opens a chip by Enter and nudges it by the arrows', async () => {
    const chip = await at.page.byName('button', 'Warning time');
    await at.page.driver.executeScript('arguments[0].focus()', chip);
    await at.page.keys(Key.ARROW_UP, Key.ARROW_UP);
    await at.saved('warning at 14', (p) => JSON.stringify(clover(p).clock.warnAtSeconds).includes('14'));
    await at.page.keys(Key.ENTER);
    await at.page.find('[role=dialog] input');
    await at.page.typeOver('9');
    await at.page.keys(Key.ENTER);
    await at.saved('warning at 9', (p) => JSON.stringify(clover(p).clock.warnAtSeconds).includes('9'));
  });

  it('scrubs a number by dragging sideways', async () => {
    await at.page.drag(await at.page.byName('button', '2 stars: time left'), 24, 0);
    await at.saved('39 s for two stars', (p) => JSON.stringify(clover(p).stars).includes('"value":39'));
  });

  it('binds a number to a parameter with =, and shows its value here', async () => {
    const chip = await at.page.byName('button', 'Warning time');
    await at.page.driver.executeScript('arguments[0].focus()', chip);
    await at.page.keys('=');
    await at.page.clickName('parameter', /^Rest between hornets/);
    await at.saved('bound', (p) => clover(p).clock.warnAtSeconds?.from === 'parameter');
    await at.page.seeText('= “Rest between hornets”');
    await at.page.byName('button', /^Warning time: 9 s/);
  });

  it('binds a share parameter as a share of what is placed', async () => {
    const chip = await at.page.byName('button', 'nectar gathered');
    await at.page.driver.executeScript('arguments[0].focus()', chip);
    await at.page.keys('=');
    await at.page.clickName('parameter', /^Nectar needed/);
    await at.page.seeText('62 needed, 62 to spare');
  });

  it('edits the words: comparison, clock start, group, added and removed conditions', async () => {
    await at.page.clickName('button', 'Clock starts at');
    await at.page.clickName('menuitem', 'the load');
    await at.saved('the clock from the load', (p) => clover(p).clock.starts === 'load');
    await at.page.clickName('button', /^\+ condition$/);
    await at.page.clickName('menuitem', 'lavender gathered');
    await at.saved('three conditions', (p) => conditions(clover(p)).length === 3);
    await at.page.clickName('button', 'Won when: how the conditions join');
    await at.page.clickName('menuitem', 'any of');
    await at.saved('any of', (p) => clover(p).rules[0]!.when.is === 'any');
    await at.page.clickName('button', 'Remove: lavender gathered');
    await at.saved('two conditions', (p) => conditions(clover(p)).length === 2);
  });

  it('changes what a touch costs, and where the bee goes on', async () => {
    await typeInto('Lives it costs when a hornet touches the bee', '2');
    await at.saved('two lives', (p) => JSON.stringify(p.standing[1]!.then[0]).includes('"value":2'));
    await at.page.clickName('button', 'Where the player goes on');
    await at.page.clickName('menuitem', 'on the spot');
    await at.saved('on the spot', (p) => JSON.stringify(p.standing[1]!.then[0]).includes('stay'));
  });
});

describe('parts of the page that were not open yet', () => {
  it('open while the server is away', async () => {
    await at.open('level/slot-7');
    await at.page.waitFor('all parts', () =>
      at.page.driver.executeScript<boolean>(
        `const loaded = performance.getEntriesByType('resource').map(({ name }) => name);
         return ['GroundView', 'FindPalette', 'HistoryDrawer', 'PlayScreen'].every((part) => loaded.some((name) => name.includes(part)));`,
      ),
    );
    await at.page.cutOff(true);
    await at.page.keys('g');
    await at.page.find('[role=application]');
    await at.page.keys('h');
    await at.page.find('aside[aria-label=History]');
    await at.page.cutOff(false);
  });
});
