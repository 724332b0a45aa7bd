import { describe, expect, it } from '@jest/globals';
import type { Parameter, Project } from '@stadion/core/document/model';
import { Origin } from 'selenium-webdriver';
import { journey } from '../harness/journey.ts';

const at = journey();

const sent = (project: Project): Parameter => project.parameters.find(({ key }) => key === 'hornetsSent')!;
const clock = (project: Project): Parameter => project.parameters.find(({ key }) => key === 'clock')!;
const choose = async (chip: string, item: string): Promise<void> => {
  await at.page.clickName('button', chip);
  await at.page.clickName('menuitem', item);
};
/** Where a column of the track stands, px. */
const columnAt = (position: number): Promise<{ x: number; y: number }> =>
  at.page.driver.executeScript(
    `const box = [...document.querySelectorAll('section[aria-label=Sequence] button')].find((b) => b.getAttribute('aria-label')?.startsWith(arguments[0])).getBoundingClientRect();
     return { x: Math.round(box.left + box.width / 2), y: Math.round(box.top + 30) };`,
    `${position} `,
  );
const dragFromTo = async (from: { x: number; y: number }, to: { x: number; y: number }): Promise<void> => {
  const actions = at.page.driver.actions({ async: true }).move({ ...from, origin: Origin.VIEWPORT });
  actions.press();
  for (let step = 1; step <= 6; step++) {
    const part = (a: number, b: number): number => Math.round(a + ((b - a) * step) / 6);
    actions.move({ x: part(from.x, to.x), y: part(from.y, to.y), origin: Origin.VIEWPORT, duration: 30 });
  }
  await actions.release().perform();
};

describe('what moves a level', () => {
  it('is ranked with intervals, and leads to the lane', async () => {
    await at.open('ramps/slot-13?lane=clock');
    await at.page.clickName('button', 'What moves level 13');
    await at.page.find('table[aria-label="What moves the clear rate"]');
    await at.page.waitFor('hornet speed, surely harder', async () =>
      /Hornet speed \+[\d.]+ units\/s\s*picture?.*−[\d.]+ ± [\d.]+|Hornet speed \+[\d.]+ units\/s\s+−[\d.]+ ± [\d.]+/.test(
        await at.page.textOf('table[aria-label="What moves the clear rate"]'),
      ),
    );
    await at.page.clickName('button', 'Hornet speed');
    await at.page.waitFor('its lane', async () => (await at.page.driver.getCurrentUrl()).includes('lane=hornetSpeed'));
  });

  it('stands beside the level as well', async () => {
    await at.load('level/slot-13');
    await at.page.clickName('button', /^What moves it/);
    await at.page.find('aside[aria-label=Forecast] table[aria-label="What moves the clear rate"]');
  });
});

describe('a stretch of levels', () => {
  it('is marked by dragging over the track, or over the lane', async () => {
    await at.open('ramps/slot-3?lane=hornetsSent');
    await at.page.clickName('button', 'Change a stretch');
    await dragFromTo(await columnAt(6), await columnAt(11));
    await at.page.byName('button', 'Change levels 6 to 11');
    const [from, to] = [await columnAt(14), await columnAt(17)];
    const lane = await at.page.driver.executeScript<number>(
      `return Math.round(document.querySelector('rect.cursor-col-resize').getBoundingClientRect().top + 6);`,
    );
    await dragFromTo({ ...to, y: lane }, { ...from, y: lane });
    await at.page.byName('button', 'Change levels 14 to 17');
    await at.page.clickName('button', 'Unmark the stretch');
    await at.page.byName('button', 'Change levels 1 to 24');
  });

  it('is changed by the ramp’s own numbers, shown before it is done', async () => {
    await at.page.typeInto('Stretch: multiply by', '2');
    await at.page.seeText(/Comes within .* of it \(shape, cap and rounding\)|Gives exactly that/);
    const ghost = await at.page.driver.executeScript<number>(
      `return document.querySelectorAll('path.ghost-line').length;`,
    );
    expect(ghost).toBe(1);
    expect(sent(await at.document()).ramp.shape).toMatchObject({ add: 1 });
    await at.page.clickName('button', 'Change levels 1 to 24');
    await at.saved('steps of two, still steps', (p) => {
      const { shape } = sent(p).ramp;
      return shape.type === 'steps' && shape.from === 0 && shape.add === 2;
    });
    // Pins of the stretch have moved along; the cap still holds for the ramp.
    expect(sent(await at.document()).pins).toEqual({ 'slot-13': 4, 'slot-20': 4, 'slot-21': 4 });
  });

  it('is held by pins where the designer says so', async () => {
    await at.page.typeInto('Stretch from level', '3');
    await at.page.typeInto('Stretch to level', '5');
    await choose('What to do with the stretch', 'set to');
    await at.page.typeInto('Stretch: set to', '3');
    await at.page.clickName('radio', 'pins');
    await at.page.seeText(/Gives exactly that; no other level changes, 6 pins in all/);
    await at.page.clickName('button', 'Change levels 3 to 5');
    await at.saved('three pins more', (p) => ['slot-3', 'slot-4', 'slot-5'].every((id) => sent(p).pins[id] === 3));
  });

  it('is spread and smoothed into a ramp through points', async () => {
    await at.load('ramps/slot-3?lane=clock');
    await at.page.clickName('button', 'Change a stretch');
    await at.page.typeInto('Stretch from level', '3');
    await at.page.typeInto('Stretch to level', '15');
    await choose('What to do with the stretch', 'spread evenly from end to end');
    await at.page.clickName('radio', 'a ramp through points');
    await at.page.clickName('button', 'Change levels 3 to 15');
    await at.saved('points', (p) => clock(p).ramp.shape.type === 'points');
    await choose('What to do with the stretch', 'smooth');
    await at.page.seeText(/no other level changes/);
  });

  it('is copied from another parameter', async () => {
    await choose('What to do with the stretch', 'copy from');
    await choose('Parameter to copy from', 'Beetles');
    await at.page.typeInto('Level to copy from', '7');
    await at.page.clickName('radio', 'pins');
    await at.page.clickName('button', 'Change levels 3 to 15');
    // Beetles at 7 are 3: but the clock stands at 40 at least, and pins stand over that.
    await at.saved('three seconds at level 3', (p) => clock(p).pins['slot-3'] === 3 && clock(p).pins['slot-9'] === 4);
  });
});

describe('beyond the end', () => {
  it('shows what the ramps do past the last level, as far as asked', async () => {
    await at.open('ramps/slot-3?lane=beetles');
    await at.page.typeInto('Levels shown past the end', '6');
    await at.page.seeText('past the end');
    const values = await at.page.driver.executeScript<string[]>(
      `return [...document.querySelectorAll('li title')].map((title) => title.textContent).filter((text) => text.includes('past the end'));`,
    );
    expect(values).toHaveLength(6);
    // 2 and 1 more every 6 levels: 6 from level 25 on.
    expect(values[0]).toMatch(/^Level 25, past the end: shape 6 .*; \+1 \(\+20 %\) on the level before/);
    await at.page.typeInto('Levels shown past the end', '0');
  });
});

describe('what uses a parameter', () => {
  it('is listed with what each number comes to', async () => {
    await at.open('ramps/slot-7?lane=hornetSpeed');
    await at.page.clickName('button', 'Uses');
    const text = await at.page.textOf('table[aria-label="What uses Hornet speed"]');
    // 2.55 is pinned at 7; wasps fly 0.8 of it and 0.4 more.
    expect(text.replaceAll(/\s+/g, ' ')).toContain('Hornet: speed as it is 2.55 7');
    expect(text.replaceAll(/\s+/g, ' ')).toContain('Wasp: speed × 0.8 + 0.4 2.44 7');
  });
});
