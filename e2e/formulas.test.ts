import { describe, expect, it } from '@jest/globals';
import type { Parameter, Project } from '@stadion/core/document/model';
import { Key, type WebElement } from 'selenium-webdriver';
import { journey } from '../harness/journey.ts';

const at = journey();

const clock = (project: Project): Parameter => project.parameters.find(({ key }) => key === 'clock')!;
const field = (): Promise<WebElement> => at.page.find('input[aria-label="Formula of Clock"]');
const type = async (text: string): Promise<void> => {
  await (await field()).click();
  await at.page.typeOver(text);
};
const words = (): Promise<string[]> =>
  at.page.driver.executeScript<string[]>(
    `return [...document.querySelectorAll('[role=option] code')].map((word) => word.textContent);`,
  );
/** The open lane's line, as it is drawn. */
const line = (): Promise<{ d: string; opacity: string }> =>
  at.page.driver.executeScript(
    `const path = document.querySelector('li .pointer-events-none');
     return { d: path.getAttribute('d'), opacity: path.getAttribute('stroke-opacity') };`,
  );

describe('a formula', () => {
  it('begins as what the ramp was, with the same values', async () => {
    await at.open('ramps/slot-9?lane=clock');
    const before = await line();
    await at.page.clickName('button', 'Shape of Clock');
    await at.page.clickName('menuitem', 'Formula');
    await at.saved('steps as a formula', (p) => {
      const { shape } = clock(p).ramp;
      return shape.type === 'formula' && shape.text === '48 - 1 * floor(max(0, level - 3) / 2)';
    });
    expect((await line()).d).toBe(before.d);
  });

  it('offers its words while it is typed; Enter takes one', async () => {
    await type('50 + horn');
    await at.page.waitFor('the words', async () => (await words()).join() === 'hornetSpeed,hornetsSent,hornetSight');
    await at.page.keys(Key.ARROW_DOWN, Key.ARROW_DOWN, Key.ENTER);
    await at.page.waitFor(
      'the word taken',
      async () => (await (await field()).getAttribute('value')) === '50 + hornetSight',
    );
    await at.page.keys(' + flo');
    await at.page.waitFor('a function', async () => (await words())[0] === 'floor');
    await at.page.keys(Key.TAB);
    await at.page.waitFor('its bracket', async () => (await (await field()).getAttribute('value'))!.endsWith('floor('));
  });

  it('tells its fault with the place, and leaves the last line that could be drawn, dimmed', async () => {
    await type('60 + hornetSped');
    await at.page.seeText('Column 6: There is no parameter called hornetSped; did you mean hornetSpeed?');
    await at.page.seeText('Kept: 48 - 1 * floor(max(0, level - 3) / 2)');
    expect((await line()).opacity).toBe('0.35');
    // Enter does not take what cannot be read.
    await at.page.keys(Key.ESCAPE, Key.ENTER);
    expect(clock(await at.document()).ramp.shape).toMatchObject({ text: '48 - 1 * floor(max(0, level - 3) / 2)' });
  });

  it('is drawn while it is typed, and says at which levels its conditions hold', async () => {
    await type('if(level % 4 == 0, 60, 40)');
    await at.page.seeText(/level % 4 == 0 holds at 4, 8, 12, 16, 20, 24/);
    const steps = (await line()).d.match(/V/g)!;
    // Up at every fourth level, down after it.
    expect(new Set((await line()).d.match(/V[\d.]+/g)).size).toBe(2);
    expect(steps.length).toBe(23);
    expect(clock(await at.document()).ramp.shape).not.toMatchObject({ text: 'if(level % 4 == 0, 60, 40)' });
    await at.page.keys(Key.ESCAPE, Key.ENTER);
  });

  it('is kept by Enter, and every value tells how it came to be', async () => {
    await type('if(level % 4 == 0, 60, 40) ');
    await at.page.keys(Key.ENTER);
    await at.saved('the formula', (p) => {
      const { shape } = clock(p).ramp;
      return shape.type === 'formula' && shape.text === 'if(level % 4 == 0, 60, 40)';
    });
    const chain = await at.page.driver.executeScript<string>(
      `return [...document.querySelectorAll('title')].map((title) => title.textContent).find((text) => text.startsWith('Level 8:'));`,
    );
    expect(chain).toMatch(/shape 60 → at least 40 60 → rounded 1 60; \+20 \(\+50 %\) on the level before/);
  });

  it('that divides by zero is a finding at that level', async () => {
    await type('100 / (level - 5) ');
    await at.page.keys(Key.ENTER);
    await at.page.seeText('no number at 5');
    await at.page.clickName('button', /findings/);
    await at.page.seeText('The formula of Clock gives no number.');
    await at.page.seeText('“100 / (level - 5)” divides by zero here. Until it does, it counts as 120');
    await at.page.keys('F');
  });

  it('that goes round in a circle is named as it is typed', async () => {
    await at.open('ramps/slot-9?lane=nestRest');
    await at.page.clickName('button', 'Shape of Rest between hornets');
    await at.page.clickName('menuitem', 'Formula');
    await at.page.find('input[aria-label="Formula of Rest between hornets"]');
    await (await at.page.find('input[aria-label="Formula of Rest between hornets"]')).click();
    await at.page.typeOver('clock / 5 ');
    await at.page.keys(Key.ENTER);
    await at.saved('a formula of another', (p) => JSON.stringify(p.parameters).includes('clock / 5'));
    await at.open('ramps/slot-9?lane=clock');
    await type('nestRest * 5 ');
    await at.page.seeText('It goes round in a circle: clock → nestRest → clock.');
    await at.page.clickName('button', 'Keep the last one');
    await at.page.waitFor(
      'the last one',
      async () => (await (await field()).getAttribute('value')) === '100 / (level - 5)',
    );
  });

  it('says where a parameter that it names is still used', async () => {
    await at.open('ramps/slot-9?lane=clock');
    await at.page.clickName('button', 'Uses');
    await at.page.seeText('Formula of Rest between hornets');
  });
});

describe('tiers', () => {
  const border = (): Promise<WebElement> => at.page.byName('slider', 'Border of Midday');

  it('give a ramp a value each', async () => {
    await at.open('ramps/slot-9?lane=hornetSight');
    await at.page.clickName('button', 'Shape of Hornet sight');
    await at.page.clickName('menuitem', 'Tiers');
    await at.page.typeInto('Hornet sight Midday', '7');
    await at.saved('seven at midday', (p) => {
      const { shape } = p.parameters.find(({ key }) => key === 'hornetSight')!.ramp;
      return shape.type === 'tiers' && shape.values['midday'] === 7;
    });
    await at.page.byName('button', /^Hornet sight pinned at level 9: 7/);
  });

  it('are moved by dragging their border on the track; what goes by them follows', async () => {
    const column = await at.page.driver.executeScript<number>(
      `const of = (at) => [...document.querySelectorAll('section[aria-label=Sequence] button')].find((b) => b.getAttribute('aria-label')?.startsWith(at + ' ')).getBoundingClientRect().left;
       return of(3) - of(2);`,
    );
    await at.page.drag(await border(), Math.round(column * 2), 0);
    await at.saved('midday from 10', (p) => p.tiers[1]!.from === 10);
    await at.page.byName('button', /^Hornet sight pinned at level 9: 5/);
  });

  it('and by the arrow keys, never past their neighbours', async () => {
    await at.page.driver.executeScript('arguments[0].focus()', await border());
    await at.page.keys(Key.ARROW_RIGHT);
    await at.saved('midday from 11', (p) => p.tiers[1]!.from === 11);
    await at.page.keys(Key.ARROW_RIGHT, Key.ARROW_RIGHT, Key.ARROW_RIGHT);
    await at.saved('midday from 12, one level long', (p) => p.tiers[1]!.from === 12);
  });

  it('are named, added and removed on Sequence', async () => {
    await at.open('sequence/slot-4');
    await at.page.clickName('button', '+ tier from level 4');
    await at.saved('a tier from 4', (p) => p.tiers.map(({ from }) => from).join() === '1,4,12,13,19');
    await at.page.clickName('button', 'Remove Midday');
    await at.saved('midday gone, from the ramp too', (p) => {
      const { shape } = p.parameters.find(({ key }) => key === 'hornetSight')!.ramp;
      return p.tiers.length === 4 && shape.type === 'tiers' && !('midday' in shape.values);
    });
    await at.page.chord('z', Key.CONTROL);
    await at.saved('midday back', (p) => p.tiers.some(({ id }) => id === 'midday'));
  });
});
