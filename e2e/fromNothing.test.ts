import { describe, expect, it } from '@jest/globals';
import { findingsOf } from '@stadion/core/authoring/findings';
import type { ProjectList, ProjectSummary } from '@stadion/core/exchange/contract';
import { Key } from 'selenium-webdriver';
import { groundPointer } from '../harness/ground.ts';
import { journey } from '../harness/journey.ts';
import { ownProject } from '../harness/ownProject.ts';

const at = journey();
const own = ownProject(at);
const { open, load, document, saved } = own;
const projects = async (): Promise<ProjectSummary[]> =>
  ((await (await fetch(`${at.server.address}/api/projects`)).json()) as ProjectList).projects;

describe('a game from nothing', () => {
  it('starts from three answers with a whole sequence that forecasts', async () => {
    await at.page.driver.get(`${at.server.address}/projects`);
    const field = await at.page.byName('textbox', 'Its name');
    await field.sendKeys('Lantern Fields');
    // Arrow keys choose among what moves.
    await at.page.clickName('radio', /^○?●? ?The player crosses lanes/);
    await at.page.driver.actions().keyDown(Key.ARROW_LEFT).pause(100).keyUp(Key.ARROW_LEFT).perform();
    await at.page.seeText('● The player roams freely');
    await at.page.clickName('radio', /^○?●? ?To reach a place/);
    await at.page.clickName('button', 'Start with 12 levels');
    await at.page.seeText('Sequence · 12 levels');
    await at.forecasting(() => at.page.seeText('clear it'));
    await own.taken();
    const project = await document();
    expect([project.name, project.tiers.length, project.standing.length]).toEqual(['Lantern Fields', 3, 3]);
    // Attempts may add what they show: nothing else is found.
    expect(findingsOf(project)).toEqual([]);
    await at.page.byName('button', /^\d+\s+findings?/);
  });

  it('gets a kind of its own, with a mark that no other has, and a rule that names it', async () => {
    await at.page.clickName('link', 'Kinds');
    await at.page.clickName('button', '+ kind');
    await at.page.clickName('menuitem', 'One that chases');
    await saved('three enemies', (p) => p.kinds.enemies.length === 3);
    const mark = (await document()).kinds.enemies.at(-1)?.look?.mark;
    expect(['diamond', 'barred-disc', 'gem', undefined]).not.toContain(mark);
    // Its name is selected.
    await at.page.byName('textbox', 'Its name');
    await at.page.typeOver('Moth');
    await at.page.keys(Key.ENTER);
    await saved('a moth', (p) => p.kinds.enemies.at(-1)?.name === 'Moth');
    // A touch takes a life, as with the other enemies.
    expect((await document()).standing.length).toBe(4);
    await at.page.typeInto('Speed of Moth', '3.4');
    await saved('fast', (p) => JSON.stringify(p.kinds.enemies.at(-1)?.speed).includes('3.4'));
  });

  it('has it put on a ground, and says where it stands', async () => {
    await open('level/slot-2?view=ground');
    await at.page.clickName('button', /^Moth 0/);
    await groundPointer(at, [22, 13]).click(12, 6);
    await saved('a moth stands', (p) =>
      p.levels['level-2']!.ground.pieces.some((piece) => 'kind' in piece && piece.kind.startsWith('chaser-2')),
    );
    await at.page.clickName('link', 'Kinds');
    await at.page.clickName('button', /^1 pieces? in 1 level/);
    await at.page.clickName('menuitem', /^Level 2/);
    await at.page.seeText('drawn on it');
  });

  it('asks before it removes a kind with what names it, and lists that', async () => {
    await at.page.clickName('link', 'Kinds');
    await at.page.clickName('button', 'What to do with Moth');
    await at.page.clickName('menuitem', 'Remove…');
    await at.page.seeText('a moth touches the player');
    await at.page.clickName('answer', 'Keep');
    expect((await document()).kinds.enemies.length).toBe(3);
    await at.page.clickName('button', 'What to do with Moth');
    await at.page.clickName('menuitem', 'Remove…');
    await at.page.clickName('answer', 'Remove it and this one, too');
    await saved('no moth and no rule on it', (p) => p.kinds.enemies.length === 2 && p.standing.length === 3);
    await at.page.chord('z', Key.CONTROL);
    await saved('both again', (p) => p.kinds.enemies.length === 3 && p.standing.length === 4);
  });

  it('gets a kind from the ground, and has it in hand at once', async () => {
    await open('level/slot-3?view=ground');
    await at.page.clickName('button', '+ kind');
    await at.page.clickName('menuitem', 'One that stands');
    await saved('a sentry', (p) => p.kinds.enemies.some(({ name }) => name === 'Sentry'));
    await at.page.find('[role=toolbar] button[aria-pressed=true]');
    await groundPointer(at, [22, 13]).click(12, 6);
    await saved('a sentry stands', (p) =>
      p.levels['level-3']!.ground.pieces.some((piece) => 'kind' in piece && piece.kind.startsWith('sentry')),
    );
  });

  it('keeps the picture of a ground in its place whatever is held', async () => {
    const rect = (): Promise<{ x: number; y: number; width: number; height: number }> =>
      at.page.driver.executeScript(
        `const { x, y, width, height } = document.querySelector('[role=application]').getBoundingClientRect(); return { x, y, width, height };`,
      );
    const before = await rect();
    const { pieces } = (await document()).levels['level-3']!.ground;
    const sorts = new Map(pieces.map((piece) => [piece.piece, piece]));
    for (const piece of sorts.values()) {
      await at.page.keys(Key.ESCAPE, Key.ESCAPE);
      const [wide, high] = 'width' in piece ? [piece.width, piece.height] : [0, 0];
      await groundPointer(at, [22, 13]).click(Math.floor(piece.at.x + wide / 2), Math.floor(piece.at.y + high / 2));
      expect([piece.piece, await rect()]).toEqual([piece.piece, before]);
    }
  });

  it('is tuned by a ramp, and played', async () => {
    await open('ramps/slot-12?lane=enemySpeed');
    await at.page.typeInto(/^Enemy speed.* to/, '3.2');
    await saved('slower in the end', (p) => JSON.stringify(p.parameters[0]!.ramp).includes('3.2'));
    await at.page.keys('p');
    await at.page.find('canvas[data-phase=playing]');
  });
});

describe('find, history and notes', () => {
  it('finds a level by its number, and puts the focus on it', async () => {
    await open('level/slot-1');
    await at.forecasting(() => at.page.seeText('clear it'));
    await at.page.chord('k', Key.CONTROL);
    await at.page.find('[role=combobox]');
    await at.page.keys('7', Key.ENTER);
    await at.page.waitFor('level 7', async () => (await at.page.driver.getCurrentUrl()).endsWith('/slot-7'));
    await at.page.waitFor('the focus on its name', () =>
      at.page.driver.executeScript<boolean>(`return document.activeElement?.closest('h1') !== null`),
    );
  });

  it('finds a parameter, and runs a command', async () => {
    await at.page.chord('k', Key.CONTROL);
    await at.page.find('[role=combobox]');
    await at.page.keys('rest bet', Key.ENTER);
    await at.page.waitFor('its lane', async () => (await at.page.driver.getCurrentUrl()).includes('lane=restBetween'));
    await at.page.chord('k', Key.CONTROL);
    await at.page.find('[role=combobox]');
    await at.page.keys('History', Key.ENTER);
    await at.page.find('aside[aria-label=History]');
  });

  it('tells edits with who made them, and goes back to one', async () => {
    await at.page.clickName('button', /^What you call yourself/);
    await at.page.byName('textbox', 'What you call yourself');
    await at.page.typeOver('Ines');
    await at.page.keys(Key.ENTER);
    await load('level/slot-3');
    await at.page.typeInto('Warning time', '8');
    await saved('8 s', (p) => JSON.stringify(p.levels['level-3']!.clock.warnAtSeconds).includes('8'));
    await at.page.typeInto('Warning time', '6');
    await saved('6 s', (p) => JSON.stringify(p.levels['level-3']!.clock.warnAtSeconds).includes('6'));
    await at.page.keys('h');
    await at.page.seeText(/, Ines/);
    await at.page.clickName('button', /^Warning time of Level 3 to 8/);
    await at.page.clickName('button', 'Go back to here');
    await saved('8 s again', (p) => JSON.stringify(p.levels['level-3']!.clock.warnAtSeconds).includes('8'));
  });

  it('keeps a state as a snapshot, which is renamed and removed', async () => {
    await at.page.clickName('button', /^Warning time of Level 3 to 6/);
    await at.page.clickName('button', 'Keep as snapshot');
    await at.page.clickName('button', /^Name of the snapshot: After Warning/);
    await at.page.byName('textbox', 'Name of the snapshot');
    await at.page.typeOver('Late warning');
    await at.page.keys(Key.ENTER);
    await at.page.byName('button', /^Name of the snapshot: Late warning/);
    await at.page.clickName('button', 'Remove Late warning');
    await at.page.clickName('answer', 'Remove it');
    await at.page.waitFor('none left', async () => {
      const answer = await fetch(`${at.server.address}/api/projects/${own.id()}/snapshots`);
      return ((await answer.json()) as { snapshots: unknown[] }).snapshots.length === 0;
    });
    await at.page.keys('h');
  });

  it('writes a note on a level, and finds it by its words', async () => {
    await at.page.clickName('button', 'Add a note on Level 3');
    await at.page.byName('textbox', 'Note on Level 3');
    await at.page.keys('Slow on purpose: the first with two chasers.', Key.ENTER);
    await saved('a note', (p) => p.levels['level-3']!.note?.startsWith('Slow on purpose') === true);
    await open('sequence/slot-1');
    await at.page.seeText('In which order levels are played');
    await at.page.chord('k', Key.CONTROL);
    await at.page.find('[role=combobox]');
    await at.page.keys('two chasers', Key.ENTER);
    await at.page.waitFor('level 3', async () => (await at.page.driver.getCurrentUrl()).includes('/level/slot-3'));
  });
});

describe('a quiet sheet', () => {
  it('always shows what can be added, and moves nothing while the rest comes and goes', async () => {
    await open('level/slot-1');
    await at.forecasting(() => at.page.seeText('clear it'));
    await at.page.clickName('button', 'Show the rest on hover');
    const rect = (name: string): Promise<{ y: number; height: number }> =>
      at.page.driver.executeScript(
        `const { y, height } = document.querySelector('section[aria-label="${name}"]').getBoundingClientRect(); return { y, height };`,
      );
    const before = [await rect('Clock'), await rect('Ending')];
    const opacity = (): Promise<string> =>
      at.page.driver.executeScript(
        `return getComputedStyle(document.querySelector('section[aria-label="Lost when"] .rest')).opacity;`,
      );
    expect(await opacity()).toBe('0');
    const row = await at.page.find('section[aria-label="Lost when"] [role=group] .chip');
    await at.page.driver.actions().move({ origin: row }).perform();
    await at.page.waitFor('the rest', async () => (await opacity()) === '1');
    expect([await rect('Clock'), await rect('Ending')]).toEqual(before);
    await at.page.clickName('button', '+ way to lose');
    await at.page.find('[role=combobox]');
    await at.page.keys(Key.ESCAPE);
    await at.page.clickName('button', 'Show all acts');
  });
});

describe('the list of projects', () => {
  const menu = async (name: string, item: string): Promise<void> => {
    await at.page.clickName('button', `What to do with ${name}`);
    await at.page.clickName('menuitem', item);
  };

  it('renames, duplicates, and shows clear rates as a small picture', async () => {
    await at.page.driver.get(`${at.server.address}/projects`);
    await menu('Lantern Fields', 'Rename');
    await at.page.byName('textbox', 'Name of the project');
    await at.page.typeOver('Lantern Hills');
    await at.page.keys(Key.ENTER);
    await at.page.waitFor('the new name', async () => (await projects()).some(({ name }) => name === 'Lantern Hills'));
    await at.page.waitFor('its rates', async () =>
      (await projects()).some(({ name, rates }) => name === 'Lantern Hills' && rates.some((rate) => rate !== null)),
    );
    await at.page.driver.navigate().refresh();
    await at.page.find('svg[aria-label^="Clear rates from"]');
    await menu('Lantern Hills', 'Duplicate');
    await at.page.waitFor('a copy', async () => (await projects()).some(({ name }) => name === 'Lantern Hills copy'));
  });

  it('puts a project into the bin and brings it back', async () => {
    await menu('Lantern Hills copy', 'Remove to the bin');
    await at.page.waitFor('in the bin', async () =>
      (await projects()).some(({ name, binnedAt }) => name === 'Lantern Hills copy' && binnedAt !== undefined),
    );
    await at.page.clickName('button', 'Bring Lantern Hills copy back');
    await at.page.waitFor('back', async () =>
      (await projects()).some(({ name, binnedAt }) => name === 'Lantern Hills copy' && binnedAt === undefined),
    );
  });
});
