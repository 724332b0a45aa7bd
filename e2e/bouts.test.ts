import { describe, expect, it } from '@jest/globals';
import type { Project } from '@stadion/core/document/model';
import { Key } from 'selenium-webdriver';
import { journey } from '../harness/journey.ts';
import { holdKey } from '../harness/playing.ts';

const at = journey();

const fighter = (project: Project, name: string) => project.bouts!.fighters.find((each) => each.name === name);
const action = (project: Project, id: string) => project.bouts!.actions.find((each) => each.id === id)!;
const choose = async (chip: string | RegExp, entry: string): Promise<void> => {
  await at.page.clickName('button', chip);
  await at.page.clickName('menuitem', entry);
};
const cells = async (table: string, row: RegExp): Promise<string> =>
  at.page.driver.executeScript<string>(
    `const rows = [...document.querySelectorAll('table[aria-label=${JSON.stringify(table)}] tbody tr')];
     const found = rows.find((row) => new RegExp(arguments[0]).test(row.innerText));
     return found ? found.innerText : '';`,
    row.source,
  );
const waitForCells = (what: string, table: string, row: RegExp, wanted: RegExp): Promise<void> =>
  at.page.waitFor(what, async () => wanted.test(await cells(table, row)));

describe('fights by turns', () => {
  it('show both sides, hits to beat, and what comes of a meeting', async () => {
    await at.open('kinds/slot-9');
    await at.page.clickName('button', 'In bouts');
    await at.page.seeText('Who meets whom');
    await choose('Group that is met: Ants on the path', 'The wasp captain');
    // One ant comes along at level 9: hornets sent say how many.
    await waitForCells('the captain beside an ant', 'Statistics of both sides', /^Health/, /60\s+90\s+140\s+30/);
    await waitForCells('hits to beat', 'Our actions: hits to beat', /^Bee: Sting/, /14\s+8–12\s+3\s+10–14/);
    await waitForCells('one hit', 'Our actions: hits to beat', /^Bee: Venom/, /one hit/);
    await waitForCells('a hard bout', 'Odds', /^Steady/, /\b[0-9] %.*\d · \d · \d/s);
  });

  it('become easier with the level of the party', async () => {
    await at.page.typeInto('Level of place 1 of the party', '4');
    await at.page.typeInto('Level of place 2 of the party', '4');
    await waitForCells('an easy bout', 'Odds', /^Steady/, /(9\d|100) %/);
  });

  it('are played by keys, say why each number came out, and take a choice back', async () => {
    await at.page.clickName('button', 'Try it by hand');
    const box = await at.page.byName('group', 'A bout by hand');
    await at.page.driver.executeScript('arguments[0].focus()', box);
    await at.page.keys('1', '1');
    await at.page.seeText(/Round 1 Bee Sting: Wasp captain loses \d+ \(\d+(\.\d+)? × [01]\.\d+\), \d+ left/);
    await at.page.seeText(/Round 2\. Bee/);
    await at.page.keys(Key.BACK_SPACE);
    await at.page.seeText(/Round 1\. Hive guard/);
  });

  it('take an enemy like another, but', async () => {
    await at.page.clickName('button', '+ fighter');
    await at.page.clickName('menuitem', 'An enemy like Wasp captain, but');
    await at.saved(
      'one more like it',
      (project) => fighter(project, 'Wasp captain 2')?.like?.fighter === 'wasp-captain',
    );
    await at.page.typeInto('Health of Wasp captain 2 as Wasp captain, times', '2');
    await at.saved(
      'twice its health',
      (project) => fighter(project, 'Wasp captain 2')!.like!.changes['health']?.times === 2,
    );
    await at.page.seeText('= 280');
  });

  it('show the pacing along the sequence, which moves with the meetings of a level', async () => {
    const pacing = async (row: string): Promise<string> =>
      at.page.driver.executeScript<string>(
        `return [...document.querySelectorAll('[aria-label=Pacing] [role=row]')]
           .find((row) => row.innerText.startsWith(arguments[0]))?.innerText.replace(/\\s+/g, ' ') ?? '';`,
        row,
      );
    await at.page.waitFor('the party at level 10', async () => / 10$/.test(await pacing('Party level after')));
    await at.page.typeInto('Meetings', '20');
    await at.saved('twenty meetings', ({ levels }) => levels['four-lavenders']!.meetings?.many.from === 'number');
    await at.page.waitFor('a higher level', async () => / (1[1-9]|2\d)$/.test(await pacing('Party level after')));
    await at.page.waitFor('how far Novice comes', async () => / \d+$/.test(await pacing('Party level, Novice')));
    await at.page.waitFor('what an hour gives', async () =>
      /Steady [\d.]+ min [\d.]+ of [\d.]+ \d+ \d/.test(
        (await at.page.textOf('[aria-label="By pacer"]')).replace(/\s+/g, ' '),
      ),
    );
    await at.page.clickName('button', 'Go to level 10');
    await at.page.seeText('Level 10, Snail Shell, is decided by a bout');
    await at.page.clickName('button', 'Go to level 1');
    await at.page.seeText('Level 1, Clover Steps, meets nobody on its way.');
    await at.page.clickName('button', '+ meetings');
    await at.saved('meetings', ({ levels }) => levels['clover-steps']!.meetings?.groups['ants'] === 1);
  });

  it('are met on the way, at a distance from each other or at places, where a lost one can lose the level', async () => {
    await choose('Where meetings are: a number on the way', 'at places');
    await at.saved('a place', ({ levels }) => levels['clover-steps']!.meetings?.zones?.[0] === 'hive');
    await choose('Where meetings are: at places', 'one per stretch of way');
    await at.page.typeInto('Way to a meeting', '2');
    await choose('What a lost bout means: changes nothing', 'loses the level');
    await choose('May the party withdraw: may withdraw', 'cannot withdraw');
    await choose('Another group that is met: + group', 'The wasp captain');
    await at.page.typeInto('Share of Ants on the path among the meetings', '0');
    await at.saved('all of it', ({ levels }) =>
      JSON.stringify(levels['clover-steps']!.meetings).includes('"every":{"from":"number","value":2}'),
    );
    await at.open('level/slot-1');
    await at.forecasting(() => at.page.seeText(/Lost a fight on the way/));
    await at.page.clickName('button', /^Play level 1/);
    await at.page.seeText('Judge');
    const body = (): Promise<string> => at.page.textOf('body');
    await holdKey(at, Key.ARROW_RIGHT, 'somebody', async () => (await body()).includes('A fight on the way'));
    await at.page.waitFor('the fight to be over', async () => {
      await at.page.keys('1');
      return (await at.page.textOf('[aria-label="A fight on the way"]')).includes('Lost: all of ours have fallen.');
    });
    await at.page.keys(Key.ENTER);
    await at.page.seeText('A fight on the way was lost, and here that loses the level.');
    await at.page.keys('r');
    await at.page.waitFor('an attempt anew', async () => !(await body()).includes('A fight on the way'));
    await at.page.keys(Key.ESCAPE);
  });

  it('decide a level in place of its ground, are played by keys, and are brought to a share', async () => {
    await at.open('level/slot-2');
    await choose('What decides the level: on its ground', 'by a bout');
    await at.saved('a bout', ({ levels }) => levels['dew-on-the-beds']!.bout?.group === 'ants');
    await at.page.seeText('the other side is beaten');
    await at.forecasting(() => at.page.seeText(/\d rounds, as the median/));
    await choose('Group that decides the level: Ants on the path', 'The wasp captain');
    await at.page.clickName('button', 'Level of Bee');
    await at.page.typeOver('3');
    await at.page.keys(Key.ENTER, Key.ESCAPE);
    await at.saved('a bee at level 3', ({ levels }) => {
      const level = levels['dew-on-the-beds']!.bout?.party[0]?.level;
      return level?.from === 'number' && level.value === 3;
    });
    await at.page.seeText(/The party is beaten/);
    await at.page.clickName('button', /^Play level 2/);
    await at.page.seeText(/Number keys choose/);
    await at.page.waitFor('the end', async () => {
      await at.page.keys('1');
      return /At tick \d+/.test(await at.page.textOf('body'));
    });
    await at.page.keys('r');
    await at.page.seeText(/Round 1\. Bee/);
    await at.page.keys(Key.ESCAPE);
    await at.page.seeText('Won when');
    await at.open('level/slot-10');
    await at.page.clickName('button', /^Bring it there/);
    await at.page.typeInto(/^Wanted clear rate/, '80');
    await choose(/^By which parameter/, 'Ant strength');
    await at.page.clickName('button', 'Search');
    await at.page.seeText(/in attempts of its own/);
    await at.page.clickName('button', 'Pin it here');
    await at.saved('a pin', ({ parameters }) =>
      Object.hasOwn(parameters.find(({ key }) => key === 'antStrength')!.pins, 'slot-10'),
    );
    await at.open('level/slot-2');
    await choose('What decides the level: by a bout', 'on its ground');
    await at.saved('the ground again', ({ levels }) => levels['dew-on-the-beds']!.bout === undefined);
  });

  it('are found where something is wrong with them', async () => {
    await at.load('level/slot-23?view=ground');
    await at.page.clickName('button', /findings?$/);
    await at.page.seeText('Hardly anybody ever gets Silk.');
    await at.page.keys(Key.ESCAPE);
  });

  it('refuse a formula that reads what is not there, and keep the one before', async () => {
    await at.open('bouts/slot-10');
    await at.page.clickName('button', /^Formula of Bite/);
    await at.page.typeOver('mine(strenght)');
    await at.page.seeText('There is no statistic called strenght; did you mean strength?');
    await at.page.typeOver('mine(strength) * 2');
    await at.page.keys(Key.ENTER);
    await at.saved('another formula', (project) => action(project, 'bite').formula === 'mine(strength) * 2');
  });

  it('carry a renamed statistic through every formula', async () => {
    await at.page.clickName('button', /^Name of Guard/);
    await at.page.typeOver('Hard shell');
    await at.page.keys(Key.ENTER);
    await at.saved('the new word', (project) => action(project, 'sting').formula.includes('theirs(hardShell)'));
    const { bouts } = await at.document();
    expect(bouts!.fighters.some(({ statistics }) => Object.hasOwn(statistics, 'guard'))).toBe(false);
    await waitForCells('the same hits', 'Our actions: hits to beat', /^Bee: Sting/, /\d+\s+\d+–\d+/);
  });
});
