import { describe, expect, it } from '@jest/globals';
import { Key } from 'selenium-webdriver';
import { journey } from '../harness/journey.ts';

const at = journey({ own: true });

const address = (): Promise<string> => at.page.driver.getCurrentUrl();
const names = async (): Promise<string[]> => {
  const { slots, levels } = await at.document();
  return slots.map((slot) => levels[slot.levelId]!.name);
};
const heading = (): Promise<string> => at.page.textOf('h1');

describe('the sequence', () => {
  it('opens the only project with 24 slots in four tiers', async () => {
    await at.page.driver.get(at.server.address);
    await at.page.seeText('Sequence · 24 levels');
    expect(await address()).toContain(`/projects/${at.projectId}/level`);
    const tiers = await at.page.driver.executeScript<string[]>(
      `return [...document.querySelectorAll('section[aria-label=Sequence] svg text')].map((t) => t.textContent)`,
    );
    expect(tiers).toEqual(expect.arrayContaining(['Morning', 'Midday', 'Afternoon', 'Dusk']));
  });

  it('selects by click and by keys, and the address follows', async () => {
    await at.page.clickName('button', /^7 Lavender Bank/);
    await at.page.waitFor('slot 7 in the address', async () => (await address()).endsWith('/slot-7'));
    await at.page.waitFor('the heading', async () => (await heading()).includes('Lavender Bank'));
    await at.page.keys(']');
    await at.page.waitFor('slot 8', async () => (await address()).endsWith('/slot-8'));
    await at.page.keys('[', '[');
    await at.page.waitFor('slot 6', async () => (await address()).endsWith('/slot-6'));
    await at.page.waitFor('the heading', async () => (await heading()).includes('The Garden Path'));
    await at.page.driver.navigate().back();
    await at.page.waitFor('Back leads to slot 7', async () => (await address()).endsWith('/slot-7'));
  });

  it('adds a level after the selected one, names it, and has it playable at once', async () => {
    await at.open('level/slot-2');
    await at.page.keys('n');
    await at.page.waitFor('the new level', async () => (await heading()).includes('New level'));
    await at.page.keys(Key.F2);
    await at.page.byName('textbox', 'Name of the level');
    await at.page.typeOver('Wet Grass');
    await at.page.keys(Key.ENTER);
    await at.saved(
      'Wet Grass at 3',
      (p) => p.levels[p.slots[2]!.levelId]!.name === 'Wet Grass' && p.slots.length === 25,
    );
    expect((await at.document()).tiers.map((tier) => tier.from)).toEqual([1, 9, 14, 20]);
  });

  it('refuses an empty name and keeps the old one', async () => {
    await at.page.keys(Key.F2);
    await at.page.byName('textbox', 'Name of the level');
    await at.page.typeOver(Key.DELETE);
    await at.page.seeText('A level needs a name.');
    await at.page.keys(Key.ESCAPE);
    expect(await heading()).toContain('Wet Grass');
  });

  it('duplicates a level with its pins', async () => {
    await at.open('level/slot-7');
    await at.page.keys('d');
    await at.page.waitFor('the copy', async () => (await heading()).includes('Lavender Bank 2'));
    await at.saved('the copy with its pin', (p) => {
      const copy = p.slots.find((slot) => slot.levelId.startsWith('lavender-bank-2'));
      return copy !== undefined && p.parameters[0]!.pins[copy.id] === 2.55;
    });
  });

  it('moves a level by dragging its number', async () => {
    await at.open('level/slot-1');
    const number = await at.page.byName('button', /^Move Clover Steps/);
    const { width } = await number.getRect();
    await at.page.drag(number, Math.round(width * 2), 0);
    await at.saved('Clover Steps at 3', (p) => p.slots[2]!.id === 'slot-1');
    expect(await address()).toContain('/slot-1');
  });

  it('moves a level by the keyboard alone', async () => {
    const number = await at.page.byName('button', /^Move Clover Steps/);
    await at.page.driver.executeScript('arguments[0].focus()', number);
    await at.page.keys(Key.SPACE);
    await at.page.seeText(/Clover Steps is over position 3/);
    await at.page.keys(Key.ARROW_LEFT);
    await at.page.seeText(/is over position 2/);
    await at.page.keys(Key.SPACE);
    await at.saved('Clover Steps at 2', (p) => p.slots[1]!.id === 'slot-1');
    await at.page.driver.executeScript('document.activeElement.blur()');
    await at.page.keys('{');
    await at.saved('Clover Steps at 1', (p) => p.slots[0]!.id === 'slot-1');
  });

  it('removes a level after asking, and brings it back by undo', async () => {
    const before = await names();
    await at.page.clickName('button', /^Level \d+ ▾$/);
    await at.page.clickName('menuitem', 'Remove');
    await at.page.seeText('It can be undone.');
    await at.page.clickName('answer', 'Remove');
    await at.saved('one level fewer', (p) => p.slots.length === before.length - 1);
    await at.page.chord('z', Key.CONTROL);
    await at.saved('all levels again', (p) => p.slots.length === before.length);
    expect(await names()).toEqual(before);
  });
});

describe('an empty project', () => {
  it('teaches the first step, and the first level can be forecast and played', async () => {
    await at.page.driver.get(`${at.server.address}/projects`);
    const field = await at.page.byName('textbox', 'Its name');
    await field.sendKeys('Quiet Garden');
    await at.page.clickName('button', 'Start empty');
    await at.page.seeText('No levels yet');
    await at.page.keys('n');
    await at.forecasting(() => at.page.seeText('clear it'));
    await at.page.keys('p');
    await at.page.find('canvas[data-phase=playing]');
  });
});
