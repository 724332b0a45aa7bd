import { describe, expect, it } from '@jest/globals';
import { Key } from 'selenium-webdriver';
import { TRIALS_WAIT_MS } from '../harness/browser.ts';
import { editElsewhere } from '../harness/editElsewhere.ts';
import { journey } from '../harness/journey.ts';

const at = journey();

/** Text of the list of findings. Attempts may add to it at any time. */
const listed = (): Promise<string> =>
  at.page.driver.executeScript<string>(`return document.querySelector('aside[aria-label=Findings]').innerText;`);
const gone = (sentence: string): Promise<void> =>
  at.page.waitFor(`“${sentence}” to go`, async () => !(await listed()).includes(sentence));
const there = (sentence: string, ms?: number): Promise<void> =>
  at.page.waitFor(`“${sentence}”`, async () => (await listed()).includes(sentence), ms);
/** Gives the focus to the finding that says this. */
const focus = (sentence: string): Promise<unknown> =>
  at.page.driver.executeScript(
    `[...document.querySelectorAll('[data-finding]')].find((one) => one.innerText.includes(arguments[0])).focus();`,
    sentence,
  );
const isAt = (slot: string): Promise<void> =>
  at.page.waitFor(slot, async () => (await at.page.driver.getCurrentUrl()).includes(`/${slot}`));

const ADDS_NOTHING = 'A condition adds nothing to the one beside it.';

describe('findings', () => {
  it('are counted, listed by severity, and lead to each place', async () => {
    await at.open('level/slot-1');
    await at.page.clickName('button', /^\d+\s+findings/);
    await there('★★★ is out of reach.');
    await there('The level is won before the player has moved.');
    const text = await listed();
    expect(text.indexOf('Stops play')).toBeLessThan(text.indexOf('Surely wrong'));
    expect(text.indexOf('Surely wrong')).toBeLessThan(text.indexOf('Doubtful'));
    await at.page.clickName('button', /^17 The Greedy Bee$/);
    await isAt('slot-17');
  });

  it('are walked by keys: down, there, mended, undone', async () => {
    await at.page.clickName('radio', /^By level$/);
    await focus('★★★ is out of reach.');
    await at.page.keys(Key.ARROW_DOWN);
    // Attempts may have added one meanwhile: which level is next is read off the list.
    const level = await at.page.driver.executeScript<string>(
      `return document.activeElement.closest('section').getAttribute('aria-label');`,
    );
    await at.page.keys(Key.ENTER);
    await isAt(`slot-${parseInt(level, 10)}`);
    await focus(ADDS_NOTHING);
    await at.page.keys('m');
    await gone(ADDS_NOTHING);
    await at.page.clickName('button', /^Undo/);
    await there(ADDS_NOTHING);
  });

  it('are left as they are with a reason, and come back when they are looked at again', async () => {
    await focus(ADDS_NOTHING);
    await at.page.keys('l');
    await at.page.keys('It teaches to count', Key.ENTER);
    await at.saved('the reason', (p) => Object.values(p.leftSo ?? {}).some(({ why }) => why === 'It teaches to count'));
    await there('It teaches to count');
    await at.page.clickName('button', /^Look at it again$/);
    await gone('It teaches to count');
    await there(ADDS_NOTHING);
  });

  it('of a sort are shown alone', async () => {
    await at.page.clickName('button', /^Which severities are shown/);
    await at.page.clickName('menuitem', /^only “stops play”$/);
    await gone(ADDS_NOTHING);
    await at.page.clickName('button', /^Which severities are shown/);
    await at.page.clickName('menuitem', /^all severities$/);
    await there(ADDS_NOTHING);
  });

  it('of one class are mended as one edit, after a look at what that does', async () => {
    await at.page.clickName('radio', /^By class$/);
    await edit('Two sane ranges too low', [
      { op: 'replace', path: '/parameters/beetles/sane/max', value: 4 },
      { op: 'replace', path: '/parameters/nestRest/sane/max', value: 8 },
    ]);
    await there('Leaves its sane range');
    await at.page.clickName('button', /^Mend all 2…$/);
    await there('This is one edit, and can be undone.');
    await at.page.clickName('button', /^Mend 2$/);
    await gone('Leaves its sane range');
    await at.saved('both caps', (p) => p.parameters.some(({ key, ramp }) => key === 'nestRest' && ramp.atMost === 8));
  });

  it('that come with an edit are announced to screen readers', async () => {
    const spoken = await at.page.driver.executeScript<string>(
      `return [...document.querySelectorAll('[role=status]')].map((one) => one.textContent).join();`,
    );
    expect(spoken).toContain('new findings');
    await at.page.clickName('button', /^Close/);
  });

  it.each([
    [7, 'It takes 70 s left, and the clock gives 46 s in all.', /^Set to 29 s$/],
    [
      11,
      'At the start it already holds: all of: nectar gathered is at least 0.',
      /^Ask for 69, half of what is placed$/,
    ],
    [17, 'It takes 132 nectar gathered, and 124 are on the ground.', /^Ask for all 124$/],
  ])('at slot %d stands in place with its reason and a mend that works', async (slot, reason, mend) => {
    await at.open(`level/slot-${slot}`);
    await at.page.seeText(reason);
    await at.page.clickName('button', mend);
    await at.page.waitFor('the note to go', async () => {
      const all = await at.page.driver.executeScript<string>('return document.body.innerText;');
      return !all.includes(reason);
    });
    await at.page.seeText('All edits saved');
  });

  it('stand above the lane and beside the ground that they are about', async () => {
    await at.open('ramps/slot-16?lane=hornetSight');
    await at.page.seeText('Hornet sight is pinned far off its ramp at level 16.');
    await at.open('level/slot-22?view=ground');
    await at.page.seeText('leads through a wall.');
  });
});

describe('a finding that attempts show', () => {
  it('says on how many it rests, and lets one be watched', async () => {
    const made = await fetch(`${at.server.address}/api/projects`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ from: 'start', moves: 'roam', goal: 'reach', levels: 2 }),
    });
    const { id } = (await made.json()) as { id: string };
    await edit('Want much less', [{ op: 'add', path: '/slots/slot-2/wanted', value: 0.3 }], id);
    await at.page.driver.get(`${at.server.address}/projects/${id}/level/slot-2`);
    await at.page.clickName('button', /\bfindings?\b/);
    await there('The level is easier than wanted.', TRIALS_WAIT_MS);
    await there('from attempts (');
    await focus('The level is easier than wanted.');
    await at.page.keys('w');
    await at.page.waitFor('the attempt', async () =>
      (await at.page.driver.getCurrentUrl()).includes('attempt=steady.'),
    );
    await at.page.seeText(/Watched again/);
  });
});

/** An edit that somebody else makes. */
const edit = (label: string, patch: Parameters<typeof editElsewhere>[2], id = at.projectId): Promise<void> =>
  editElsewhere(`${at.server.address}/api/projects/${id}`, label, patch);
