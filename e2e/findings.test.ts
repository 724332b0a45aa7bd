import { describe, expect, it } from '@jest/globals';
import { journey } from './harness/journey.ts';

const at = journey();

describe('findings', () => {
  it('are counted and listed with the way to each place', async () => {
    await at.open('level/slot-1');
    await at.page.clickName('button', /^3 findings/);
    await at.page.seeText('★★★ is out of reach.');
    await at.page.seeText('The level is won before the player has moved.');
    await at.page.seeText('The target is beyond what is placed: nobody can win.');
    await at.page.clickName('button', /^17 The Greedy Bee$/);
    await at.page.waitFor('slot 17', async () => (await at.page.driver.getCurrentUrl()).includes('/slot-17'));
    await at.page.clickName('button', /^Close/);
  });

  it.each([
    [7, 'It takes 70 s left, and the clock gives 46 s in all.', /^Set to 29 s$/, /^2 findings$/],
    [
      11,
      'At the start it already holds: all of: nectar gathered is at least 0.',
      /^Ask for 69, half of what is placed$/,
      /^1 finding$/,
    ],
    [17, 'It takes 132 nectar gathered, and 124 are on the ground.', /^Ask for all 124$/, /^0 findings$/],
  ])('at slot %d stands in place with its reason and a mend that works', async (slot, reason, mend, left) => {
    await at.open(`level/slot-${slot}`);
    await at.page.seeText(reason);
    await at.page.clickName('button', mend);
    await at.page.byName('button', left);
    expect(await at.page.driver.executeScript<number>(`return document.querySelectorAll('[role=note]').length;`)).toBe(
      0,
    );
    await at.page.seeText('All edits saved');
  });
});
