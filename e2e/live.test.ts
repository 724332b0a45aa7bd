import { describe, expect, it } from '@jest/globals';
import type { Parameter, Project } from '@stadion/core/document/model';
import { Key } from 'selenium-webdriver';
import { journey } from '../harness/journey.ts';
import { holdKey, readPlay } from '../harness/playing.ts';

const at = journey();

const needed = (project: Project): Parameter => project.parameters.find(({ key }) => key === 'nectarNeeded')!;
const lane = 'ramps/slot-1?lane=nectarNeeded';

describe('a ramp along a reading', () => {
  it('is chosen by its axis, and its lane shows that axis', async () => {
    await at.open(lane);
    await at.page.clickName('button', 'Axis of Nectar needed');
    await at.page.clickName('menuitem', 'along seconds on the clock');
    await at.saved('along the clock', (p) => needed(p).ramp.axis === 'timeElapsed');
    await at.page.seeText('seconds on the clock →');
    await at.page.typeInto('Nectar needed every', '2');
    await at.page.typeInto('Nectar needed adding', '10');
    await at.saved('ten points every two seconds', (p) => {
      const { shape } = needed(p).ramp;
      return shape.type === 'steps' && shape.every === 2 && shape.add === 0.1;
    });
  });

  it('shows its values just below, at and just above each bound', async () => {
    await at.page.clickName('button', 'At its bounds');
    const rows = await at.page.driver.executeScript<string[]>(
      `return [...document.querySelectorAll('table[aria-label="Nectar needed at its bounds"] tbody tr')].map((row) => row.innerText.replace(/\\s+/g, ' '));`,
    );
    // From 50 %, 10 points more every 2 s, at most 75 %: the bound itself has the new value.
    expect(rows.slice(0, 3)).toEqual(['2 50 60 60', '4 60 70 70', '6 70 75 75']);
  });

  it('keeps its handles: the step is moved by the keys', async () => {
    const handle = await at.page.byName('slider', /^First step of Nectar needed/);
    await at.page.driver.executeScript('arguments[0].focus()', handle);
    await at.page.keys(Key.ARROW_RIGHT);
    await at.saved('a step every three seconds', (p) => {
      const { shape } = needed(p).ramp;
      return shape.type === 'steps' && shape.every === 3;
    });
  });

  it('acts in play: the number that the judge asks for rises with the clock', async () => {
    await at.open('level/slot-1');
    await at.page.byName('button', /^Nectar needed 50 %.*at first, along seconds on the clock/);
    await at.page.driver.get(`${at.server.address}/projects/${at.projectId}/play/slot-1`);
    await at.page.find('canvas');
    const asked = async (): Promise<number> => {
      const text = await at.page.driver.executeScript<string>('return document.body.innerText;');
      return Number(/nectar gathered is at least ([\d.]+)/i.exec(text)?.[1] ?? Number.NaN);
    };
    const first = await asked();
    expect(first).toBeGreaterThan(0);
    await holdKey(at, Key.ARROW_UP, 'some seconds', async () => (await readPlay(at)).tick > 260);
    await at.page.waitFor('a higher number', async () => (await asked()) > first);
  });

  it('acts in trials: what rises beyond what there is cannot be cleared', async () => {
    await at.open('level/slot-1');
    await at.page.clickName('button', 'Go on with the forecast');
    const rate = async (): Promise<number> => {
      await at.page.seeText(/attempts in [\d.]+ s ·/);
      const text = await at.page.textOf('aside[aria-label=Forecast]');
      return Number(/([\d.]+) %\s*clear it/.exec(text)![1]);
    };
    const before = await rate();
    await at.open(lane);
    await at.page.typeInto('Nectar needed at most', '300');
    await at.page.typeInto('Nectar needed adding', '200');
    await at.saved('more than there is', (p) => needed(p).ramp.atMost === 3);
    await at.open('level/slot-1');
    await at.page.waitFor('a lower rate', async () => (await rate()) < before - 5);
    await at.page.clickName('button', 'Pause the forecast');
  });

  it('goes by tiers of the reading, their borders dragged in its lane', async () => {
    await at.open(lane);
    await at.page.clickName('button', 'Shape of Nectar needed');
    await at.page.clickName('menuitem', 'Tiers');
    await at.page.clickName('button', '+ tier');
    await at.saved('two tiers', (p) => p.liveTiers?.timeElapsed?.length === 2);
    await at.page.clickName('button', '+ tier');
    await at.saved('three tiers', (p) => p.liveTiers?.timeElapsed?.length === 3);
    const before = (await at.document()).liveTiers!.timeElapsed![1]!.from;
    await at.page.drag(await at.page.byName('slider', 'Border of Tier 2'), -60, 0);
    await at.saved('an earlier border', (p) => p.liveTiers!.timeElapsed![1]!.from < before);
    await at.page.driver.executeScript('arguments[0].focus()', await at.page.byName('slider', 'Border of Tier 3'));
    const third = (await at.document()).liveTiers!.timeElapsed![2]!.from;
    await at.page.keys(Key.ARROW_RIGHT);
    await at.saved('a later border by key', (p) => p.liveTiers!.timeElapsed![2]!.from === third + 1);
    await at.page.typeInto('Nectar needed Tier 3', '90');
    await at.saved('its value', (p) => JSON.stringify(needed(p).ramp.shape).includes('0.9'));
    await at.page.clickName('button', 'At its bounds');
    await at.page.clickName('button', 'Remove Tier 2');
    await at.saved('two tiers again', (p) => p.liveTiers!.timeElapsed!.length === 2);
  });

  it('goes along the sequence again', async () => {
    await at.page.clickName('button', 'Axis of Nectar needed');
    await at.page.clickName('menuitem', 'along the sequence');
    await at.saved('no axis', (p) => needed(p).ramp.axis === undefined);
    await at.page.byName('slider', /^Value of Nectar needed at level 1/);
  });
});
