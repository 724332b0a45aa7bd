import { describe, expect, it } from '@jest/globals';
import type { Project } from '@stadion/core/document/model';
import { Key } from 'selenium-webdriver';
import { TRIALS_WAIT_MS } from '../harness/browser.ts';
import { journey } from '../harness/journey.ts';

const at = journey({ trials: true });

const speed = (project: Project) => project.parameters[0]!;
const ghosts = (): Promise<number> =>
  at.page.driver.executeScript<number>(`return document.querySelectorAll('path.ghost-line').length;`);
const column = (position: number): Promise<string> =>
  at.page.driver.executeScript<string>(
    `return [...document.querySelectorAll('section[aria-label=Sequence] button')].map((b) => b.getAttribute('aria-label') ?? '').find((said) => said.startsWith(arguments[0]));`,
    `${position} `,
  );

describe('comparing', () => {
  it('a snapshot is taken of now, under a name, and nothing differs yet', async () => {
    await at.open('ramps/slot-13?lane=hornetSpeed');
    await at.page.clickName('button', /^Compare/);
    await at.page.clickName('menuitem', /^Take a snapshot of now/);
    await at.page.find('input[aria-label="Name of the snapshot"]');
    await at.page.typeOver('Before the dusk pass');
    await at.page.keys(Key.ENTER);
    await at.page.seeText('Compared with “Before the dusk pass”: nothing differs.');
    expect(await at.page.driver.getCurrentUrl()).toMatch(/with=/);
    expect(await ghosts()).toBe(0);
  });

  it('shows what an edit has changed: ghost line, list in words, cells', async () => {
    await at.page.typeInto('Hornet speed adding', '0.15');
    await at.page.typeInto(/^Hornet speed pinned at level 13/, '3.4');
    await at.page.seeText('1 difference');
    expect(await ghosts()).toBe(1);
    await at.page.clickName('button', 'List them');
    await at.page.seeText('from 2, +0.1 every 2 levels → from 2, +0.15 every 2 levels');
    await at.page.seeText('pinned at 13 to 3.4');
    await at.page.seeText(/other values at 3–6, 8–/);
    await at.page.clickName('radio', 'Numbers');
    await at.page.find('[role=gridcell][title*="2.1 where compared with"]');
    await at.page.clickName('radio', 'Lanes');
  });

  it('tells on the track how far the clear rate has moved, with its interval', async () => {
    await at.page.waitFor(
      'a difference at 13',
      async () => /; (easier|harder) by [\d.]+ ± [\d.]+ points than the \d+ % compared with/.test(await column(13)),
      TRIALS_WAIT_MS,
    );
    expect(await column(1)).toMatch(/; the same as the \d+ % compared with: nothing that bears on it has changed/);
  });

  it('holds on other screens, and a link opens it', async () => {
    const address = await at.page.driver.getCurrentUrl();
    await at.page.clickName('link', 'Level');
    await at.page.waitFor('it in the address', async () => (await at.page.driver.getCurrentUrl()).includes('with='));
    expect(await column(13)).toMatch(/compared with/);
    await at.page.driver.get(address);
    await at.page.seeText('Compared with “Before the dusk pass”: 1 difference.');
  });

  it('one parameter goes back, and comes again by undoing', async () => {
    await at.page.clickName('button', 'List them');
    await at.page.clickName('button', 'Restore Hornet speed');
    await at.saved('as it was', (p) => {
      const { shape } = speed(p).ramp;
      return shape.type === 'steps' && shape.add === 0.1 && !('slot-13' in speed(p).pins);
    });
    await at.page.seeText('nothing differs');
    await at.page.chord('z', Key.CONTROL);
    await at.page.seeText('1 difference');
  });

  it('all goes back at once', async () => {
    await at.open((await at.page.driver.getCurrentUrl()).split(`${at.projectId}/`)[1]!.replace('ramps', 'sequence'));
    await at.page.clickName('button', 'Remove Dusk');
    await at.saved('three tiers', (p) => p.tiers.length === 3);
    await at.page.keys('4');
    await at.page.seeText('2 differences');
    await at.page.clickName('button', 'List them');
    await at.page.clickName('button', 'Restore all');
    await at.saved('all as it was', (p) => p.tiers.length === 4 && !('slot-13' in speed(p).pins));
    await at.page.seeText('nothing differs');
  });

  it('a state of the history is compared with, from before an edit', async () => {
    await at.page.clickName('button', 'Stop comparing');
    await at.page.clickName('button', /^Compare/);
    await at.page.clickName('menuitem', /before edit \d+: Remove the tier Dusk/);
    await at.page.seeText(/Compared with “Before Remove the tier Dusk”: 1 difference/);
    await at.page.clickName('button', 'List them');
    await at.page.seeText('from 2, +0.15 every 2 levels → from 2, +0.1 every 2 levels');
  });

  it('a snapshot is removed, and a link to it says so', async () => {
    const address = await at.page.driver.getCurrentUrl();
    await at.page.clickName('button', 'Remove the snapshot');
    await at.page.waitFor('no comparison', async () => !(await at.page.driver.getCurrentUrl()).includes('with='));
    await at.page.driver.get(address);
    await at.page.seeText('There is no such snapshot any more. The project is as it was.');
    await at.page.clickName('button', 'Stop comparing');
  });
});
