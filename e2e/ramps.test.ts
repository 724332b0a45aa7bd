import { describe, expect, it } from '@jest/globals';
import type { Parameter, Project } from '@stadion/core/document/model';
import { Key } from 'selenium-webdriver';
import { journey } from '../harness/journey.ts';

const at = journey();

const speed = (project: Project): Parameter => project.parameters[0]!;
const typeInto: typeof at.page.typeInto = (chip, text) => at.page.typeInto(chip, text);

describe('the lanes', () => {
  it('stand under the track, each number below its column', async () => {
    await at.open('ramps/slot-7');
    for (const name of ['Hornet speed', 'Hornets sent', 'Nectar needed', 'Clock'])
      await at.page.byName('button', `Lane of ${name}`);
    const [column, number] = await at.page.driver.executeScript<[number, number]>(
      `const middle = (e) => { const b = e.getBoundingClientRect(); return b.left + b.width / 2; };
       const column = [...document.querySelectorAll('section[aria-label=Sequence] button')].find((b) => b.getAttribute('aria-label')?.startsWith('12 '));
       const number = document.querySelector('ul[aria-label^=Lanes] li').querySelectorAll('svg text[text-anchor=middle]')[11];
       return [middle(column), middle(number)];`,
    );
    expect(Math.abs(column - number)).toBeLessThan(1.5);
  });

  it('open by click, and the address tells which', async () => {
    await at.page.clickName('button', 'Lane of Hornet speed');
    await at.page.waitFor('the lane in the address', async () =>
      (await at.page.driver.getCurrentUrl()).includes('lane=hornetSpeed'),
    );
    await at.page.seeText('starting at');
    await at.page.seeText('at most 2.7 — reached at level 15');
  });

  it('are edited by their sentence', async () => {
    await typeInto('Hornet speed adding', '0.2');
    await typeInto('Hornet speed at most', '3');
    await typeInto('Hornet speed rounded to', '0.1');
    await at.saved('the new ramp', (p) => {
      const { shape, atMost, roundTo } = speed(p).ramp;
      return shape.type === 'steps' && shape.add === 0.2 && atMost === 3 && roundTo === 0.1;
    });
    await typeInto('Hornet speed every', '0');
    await at.page.seeText('At least 1.');
    await at.page.keys(Key.ESCAPE);
  });

  it('are edited by dragging the handles, and by the keys on them', async () => {
    const before = speed(await at.document()).ramp.shape;
    await at.page.drag(await at.page.byName('slider', /^Start of Hornet speed/), 0, -20);
    await at.saved('a faster start', (p) => {
      const { shape } = speed(p).ramp;
      return shape.type === 'steps' && before.type === 'steps' && shape.from > before.from;
    });
    const handle = await at.page.byName('slider', /^First step of Hornet speed/);
    await at.page.driver.executeScript('arguments[0].focus()', handle);
    await at.page.keys(Key.ARROW_RIGHT);
    await at.saved('a step every three levels', (p) => {
      const { shape } = speed(p).ramp;
      return shape.type === 'steps' && shape.every === 3;
    });
  });

  it('change shape and keep what carries over', async () => {
    await at.page.clickName('button', 'Lane of Clock');
    await at.page.clickName('button', 'Shape of Clock');
    await at.page.clickName('menuitem', 'Hold');
    await at.saved('a held clock', (p) => p.parameters[3]!.ramp.shape.type === 'hold');
    expect(p3(await at.document())).toEqual({ type: 'hold', value: 48 });
  });
  const p3 = (project: Project): unknown => project.parameters[3]!.ramp.shape;

  it('pin a value at a slot and let it go again', async () => {
    // Lanes out of sight are not drawn: opened by its address, it is in sight.
    await at.open('ramps/slot-7?lane=hornetSpeed');
    await typeInto(/^Hornet speed pinned at level 7/, '2.9');
    await at.saved('the pin', (p) => speed(p).pins['slot-7'] === 2.9);
    await at.page.clickName('button', 'Remove the pin');
    await at.saved('no pin', (p) => !('slot-7' in speed(p).pins));
    await at.page.drag(await at.page.byName('slider', /^Value of Hornet speed at level 7/), 0, -18);
    await at.saved('a pin by dragging', (p) => (speed(p).pins['slot-7'] ?? 0) > 0);
    await at.page.driver.executeScript(
      'arguments[0].focus()',
      await at.page.byName('slider', /^Value of Hornet speed at level 7/),
    );
    await at.page.keys(Key.DELETE);
    await at.saved('no pin by Delete', (p) => !('slot-7' in speed(p).pins));
  });

  it('add a parameter, and ask before one in use is removed', async () => {
    await at.page.clickName('button', '+ Parameter');
    await at.page.typeOver('Wind');
    await at.page.keys(Key.ENTER);
    await at.saved('Wind', (p) => p.parameters.at(-1)!.key === 'wind');
    await at.open('ramps/slot-7?lane=clock');
    await at.page.clickName('button', /^More/);
    await at.page.clickName('menuitem', 'Remove Clock');
    await at.page.seeText('numbers that follow it keep their present values');
    await at.page.clickName('answer', 'Keep');
    expect((await at.document()).parameters).toHaveLength(10);
  });

  it('feed the level', async () => {
    // Lanes out of sight are not drawn: opened by its address, it is in sight.
    await at.open('ramps/slot-7?lane=hornetSpeed');
    await typeInto(/^Hornet speed pinned at level 7/, '1.23');
    await at.page.clickName('link', 'Level');
    await at.page.byName('button', /Hornet speed\s*1\.23/);
  });

  it('stand as a table as well, level by level with what made each value', async () => {
    await at.open('ramps/slot-7?lane=hornetSpeed');
    await at.page.clickName('button', 'Table');
    const table = await at.page.find('table[aria-label="Values of Hornet speed"]');
    const text = await table.getText();
    expect(text).toContain('Lavender Bank');
    expect(text).toMatch(/shape .* → at most .* → rounded/);
  });
});
