import { describe, expect, it } from '@jest/globals';
import fs from 'node:fs';
import path from 'node:path';
import { Key } from 'selenium-webdriver';
import { journey } from '../harness/journey.ts';

const at = journey({ forecasts: true });
const axe = fs.readFileSync(path.join(import.meta.dirname, '../node_modules/axe-core/axe.min.js'), 'utf8');

interface Violation {
  id: string;
  impact: string;
  nodes: { target: string[]; failureSummary: string }[];
}

async function violations(): Promise<string[]> {
  const { driver } = at.page;
  await driver.executeScript(axe);
  const found = await driver.executeAsyncScript<Violation[]>(
    `const done = arguments[arguments.length - 1];
     axe.run(document, { resultTypes: ['violations'] }).then((r) => done(r.violations.map(({ id, impact, nodes }) => ({ id, impact, nodes: nodes.slice(0, 3).map((n) => ({ target: n.target, failureSummary: n.failureSummary })) }))));`,
  );
  return found
    .filter((violation) => violation.impact === 'serious' || violation.impact === 'critical')
    .map(
      (violation) =>
        `${violation.id}: ${violation.nodes.map((node) => `${node.target.join(' ')} ${node.failureSummary}`).join(' | ')}`,
    );
}

describe('axe finds nothing serious on', () => {
  it.each([
    ['the level', 'level/slot-7', 'attempts in'],
    ['a level with ten rules', 'level/slot-24', 'attempts in'],
    ['the sequence', 'sequence/slot-5', 'One run, attempt by attempt'],
    ['the ramps', 'ramps/slot-7?lane=hornetSpeed', 'starting at'],
    ['the trials', 'trials/slot-7', 'forecasts known'],
    ['what is wanted', 'trials/slot-7?show=wanted', 'Turn the ramps to what is wanted'],
    ['the hand-off', 'hand-off/slot-7', 'Download project.json'],
  ])('%s', async (_name, address, text) => {
    await at.open(address);
    await at.page.seeText(text);
    expect(await violations()).toEqual([]);
  });

  it.each([
    'level/slot-7',
    'sequence/slot-7',
    'level/slot-24',
    'ramps/slot-7?lane=hornetSpeed',
    'trials/slot-7',
    'hand-off/slot-7',
  ])('%s in the dark', async (address) => {
    await at.page.theme('dark');
    await at.open(address);
    await at.page.seeText(/attempts in|starting at|forecasts known|Download project.json|One run, attempt by attempt/);
    expect(await violations()).toEqual([]);
    await at.page.theme('light');
  });

  it('Numbers, a formula, a live ramp with its bounds, the edit of a stretch and a comparison', async () => {
    const { page } = at;
    await at.open('ramps/slot-7?lane=hornetSpeed');
    await page.clickName('button', 'Change a stretch');
    await page.seeText('held by');
    await page.clickName('button', /^Compare/);
    await page.clickName('menuitem', /^Take a snapshot of now/);
    await page.find('input[aria-label="Name of the snapshot"]');
    await page.typeOver('Before');
    await page.keys(Key.ENTER);
    await page.seeText('nothing differs');
    await page.clickName('button', 'Shape of Hornet speed');
    await page.clickName('menuitem', 'Formula');
    await page.clickName('button', 'List them');
    await page.seeText('Restore all');
    expect(await violations()).toEqual([]);
    await page.clickName('button', 'Axis of Hornet speed');
    await page.clickName('menuitem', 'along the score');
    await page.clickName('button', 'At its bounds');
    await page.seeText('1 below');
    expect(await violations()).toEqual([]);
    await page.clickName('radio', 'Numbers');
    await page.find('[role=gridcell]');
    expect(await violations()).toEqual([]);
    await page.theme('dark');
    expect(await violations()).toEqual([]);
    await page.theme('light');
  });

  it('play', async () => {
    await at.page.driver.get(`${at.server.address}/projects/${at.projectId}/play/slot-7`);
    await at.page.find('canvas');
    expect(await violations()).toEqual([]);
  });

  it('the projects', async () => {
    await at.page.driver.get(`${at.server.address}/projects`);
    await at.page.seeText('Home Before Dusk');
    expect(await violations()).toEqual([]);
  });

  it('the findings, the list of keys and an open number', async () => {
    await at.open('level/slot-7');
    await at.page.keys('f');
    await at.page.find('aside[aria-label=Findings]');
    await at.page.keys('?');
    await at.page.seeText('Keys on this screen');
    expect(await violations()).toEqual([]);
    await at.page.keys('f');
    await at.page.clickName('button', 'Warning time');
    await at.page.find('[role=dialog] input');
    expect(await violations()).toEqual([]);
  });
});
