import { describe, expect, it } from '@jest/globals';
import type { Parameter, Project, Shape } from '@stadion/core/document/model';
import { Key } from 'selenium-webdriver';
import { journey } from '../harness/journey.ts';

const at = journey();

const sight = (project: Project): Parameter => project.parameters.find(({ key }) => key === 'hornetSight')!;
const shape = (project: Project): Shape => sight(project).ramp.shape;
const choose = async (label: string): Promise<void> => {
  await at.page.clickName('button', 'Shape of Hornet sight');
  await at.page.clickName('menuitem', label);
};
const focus = async (name: RegExp): Promise<void> => {
  await at.page.driver.executeScript('arguments[0].focus()', await at.page.byName('slider', name));
};

describe('every shape', () => {
  it('grows by a share', async () => {
    await at.open('ramps/slot-5?lane=hornetSight');
    await choose('Growth');
    await at.page.typeInto('Hornet sight growing by', '10');
    await at.page.typeInto('Hornet sight every', '2');
    await at.saved('10 % every 2 levels', (p) => {
      const now = shape(p);
      return now.type === 'growth' && now.rate === 0.1 && now.every === 2;
    });
    // 5 × 1.1² at level 5
    await at.page.byName('slider', /^Value of Hornet sight at level 5/);
    await at.page.seeText('6.05');
  });

  it('eases, and is dragged by half its way', async () => {
    await choose('Ease');
    await at.page.typeInto('Hornet sight towards', '9');
    await focus(/^Half the way of Hornet sight/);
    await at.page.keys(Key.ARROW_UP);
    await at.saved('another end', (p) => {
      const now = shape(p);
      return now.type === 'ease' && now.to !== 9 && now.from === 5;
    });
  });

  it('bends as an s', async () => {
    await choose('S-curve');
    await at.page.typeInto('Hornet sight around level', '12');
    await at.page.typeInto('Hornet sight over', '6');
    await at.saved('an s', (p) => {
      const now = shape(p);
      return now.type === 'sCurve' && now.middle === 12 && now.width === 6;
    });
  });

  it('goes through points: added, moved by the keys, removed, and smooth between', async () => {
    await choose('Hold');
    await choose('Points');
    await at.page.clickName('button', '+ point at level 5');
    await at.saved('two points', (p) => {
      const now = shape(p);
      return now.type === 'points' && now.points.length === 2;
    });
    await focus(/^Point 2 of Hornet sight/);
    await at.page.keys(Key.ARROW_RIGHT);
    await at.saved('one to the right', (p) => JSON.stringify(shape(p)).includes('"position":6'));
    await at.page.clickName('button', 'Hornet sight and between them');
    await at.page.clickName('menuitem', 'a smooth line');
    await at.saved('smooth', (p) => JSON.stringify(shape(p)).includes('"between":"smooth"'));
    await focus(/^Point 2 of Hornet sight/);
    await at.page.keys(Key.DELETE);
    await at.saved('one point', (p) => {
      const now = shape(p);
      return now.type === 'points' && now.points.length === 1;
    });
  });

  it('as points keeps the values of the steps it comes from', async () => {
    await at.open('ramps/slot-5?lane=hornetsSent');
    await at.page.clickName('button', 'Shape of Hornets sent');
    await at.page.clickName('menuitem', 'Points');
    await at.saved('the same values, held', (p) => {
      const now = p.parameters[1]!.ramp.shape;
      // 0 + ⌊(n − 2) / 4⌋: a point where it changes.
      return (
        now.type === 'points' &&
        now.between === 'hold' &&
        JSON.stringify(now.points.map(({ position, value }) => [position, value])) ===
          '[[1,0],[6,1],[10,2],[14,3],[18,4],[22,5]]'
      );
    });
  });
});

describe('what follows a parameter', () => {
  it('can be made of it: times and plus', async () => {
    await at.open('level/slot-2');
    await at.page.clickName('button', '× and + on what Clock follows');
    await at.page.typeInto('Clock: times', '0.5');
    await at.page.typeInto('Clock: plus', '6');
    // 48 s at slot 2: 48 × 0.5 + 6.
    await at.page.byName('button', /^Clock: 30 s/);
    await at.saved('written down', (p) =>
      JSON.stringify(p.levels['dew-on-the-beds']!.clock.limitSeconds).includes('"times":0.5,"plus":6'),
    );
  });

  it('has a range in which it makes sense, marked where it is left', async () => {
    await at.open('ramps/slot-5?lane=hornetSpeed');
    await at.page.typeInto('Hornet speed makes sense up to', '2.5');
    await at.page.seeText(/outside 0\.5–2\.5 at 7/);
    await at.page.typeInto('Hornet speed makes sense from', '9');
    await at.page.seeText('At most 2.4.');
    await at.page.keys(Key.ESCAPE);
  });
});

describe('a breather', () => {
  it('makes levels easier at an interval, and says so in the derivation', async () => {
    await at.open('ramps/slot-6?lane=hornetSight');
    await choose('Hold');
    await at.page.clickName('button', '+ breather');
    await at.page.typeInto('Hornet sight breather factor', '0.5');
    await at.saved('half the sight', (p) => sight(p).ramp.breather?.takes.is === 'times');
    const chain = await at.page.driver.executeScript<string>(
      `return [...document.querySelectorAll('title')].map((title) => title.textContent).find((text) => text.startsWith('Level 6:'));`,
    );
    expect(chain).toMatch(/breather/);
    await at.page.clickName('button', 'Hornet sight breather takes');
    await at.page.clickName('menuitem', 'the value of');
    await at.page.typeInto('Hornet sight breather levels earlier', '2');
    await at.saved('two earlier', (p) => JSON.stringify(sight(p).ramp.breather).includes('"levels":2'));
  });
});
