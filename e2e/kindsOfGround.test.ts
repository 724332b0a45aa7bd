import { describe, expect, it } from '@jest/globals';
import { findingsOf } from '@stadion/core/authoring/findings';
import type { Piece, Project } from '@stadion/core/document/model';
import { Key } from 'selenium-webdriver';
import { groundPointer } from '../harness/ground.ts';
import { journey } from '../harness/journey.ts';
import { ownProject } from '../harness/ownProject.ts';
import { holdKey, readPlay } from '../harness/playing.ts';

const at = journey();
const own = ownProject(at);
const { open, document, saved } = own;

/** Starts a project by the sheet, as a new user does. */
async function start(moves: RegExp, goal: RegExp): Promise<void> {
  await at.page.driver.get(`${at.server.address}/projects`);
  await at.page.clickName('radio', moves);
  await at.page.clickName('radio', goal);
  await at.page.clickName('button', 'Start with 12 levels');
  await at.page.seeText('Sequence · 12 levels');
  await at.forecasting(() => at.page.seeText('clear it'));
  await own.taken();
  // Attempts may add what they show: nothing else is found.
  expect(findingsOf(await document())).toEqual([]);
  await at.page.byName('button', /^\d+\s+findings?/);
}

/** Plays a level until the canvas is there. */
async function play(slot: number): Promise<void> {
  await open(`play/slot-${slot}`);
  await at.page.find('canvas[data-phase=playing]');
}

describe('lanes that are crossed', () => {
  it('start as a whole sequence that forecasts, with a ramp for the one speed of all traffic', async () => {
    await start(/crosses lanes/, /cross a number of times/);
    const { levels, parameters } = await document();
    expect(Object.values(levels).every(({ ground }) => ground.kind === 'cross')).toBe(true);
    expect(parameters.map(({ key }) => key)).toContain('traffic');
  });

  it('get one lane more by a click, whose numbers are a sentence', async () => {
    await open('level/slot-1?view=ground');
    await at.page.clickName('button', /^Lane \d/);
    await groundPointer(at, [19, 13]).click(4, 5);
    const added = (p: Project): Piece | undefined =>
      p.levels['level-1']!.ground.pieces.find((piece) => piece.piece === 'lane' && piece.at.y === 5.5);
    await saved('a lane', (p) => added(p) !== undefined);
    await at.page.clickName('button', /^Where it drives/);
    await at.page.clickName('menuitem', 'to the left');
    await at.page.clickName('button', /^What it does/);
    await at.page.clickName('menuitem', /carried$/);
    await at.page.typeInto(/^Length/, '3');
    await saved('as told', (p) => {
      const lane = added(p);
      return lane?.piece === 'lane' && lane.towards === 'left' && lane.carries === true && lane.length === 3;
    });
    await at.page.chord('z', Key.CONTROL);
    await saved('one undo', (p) => JSON.stringify(added(p)).includes('"length":2'));
  });

  it('are held wherever their row is clicked', async () => {
    await at.page.keys(Key.ESCAPE, Key.ESCAPE);
    await groundPointer(at, [19, 13]).click(15, 5);
    await at.page.find('[aria-label^="What is held: Cart lane"]');
  });

  it('are crossed by keys, a cell at a press, and judged', async () => {
    await play(1);
    await at.page.seeText('crossings are at least 2');
    const before = await readPlay(at);
    await holdKey(at, Key.ARROW_LEFT, 'a cell to the left', async () => (await readPlay(at)).x < before.x);
    await at.page.waitFor('it stands in a cell', async () => Math.abs((await readPlay(at)).x % 1) === 0.5);
    expect((await readPlay(at)).y).toBe(12.5);
  });

  it('offer what only they can ask for', async () => {
    await open('level/slot-2');
    await at.page.clickName('button', '+ way to win');
    await at.page.seeText('Get as far as a row');
    await at.page.keys(Key.ESCAPE);
  });
});

describe('floors, ledges and pits', () => {
  it('start as a whole sequence that forecasts', async () => {
    await start(/walks and leaps/, /reach a place/);
    expect((await document()).levels['level-1']!.ground.kind).toBe('leap');
  });

  it('get a ledge by a drag, and say what a jump comes to', async () => {
    await open('level/slot-1?view=ground');
    await at.page.clickName('button', 'Ledge');
    await groundPointer(at, [44, 13]).drag([36, 9], [38, 9]);
    await saved('three cells of ledge', (p) => p.levels['level-1']!.ground.rows[9]!.slice(36, 39) === '---');
    await open('kinds/slot-1');
    await at.page.seeText(/A jump lasts [\d.]+ s and goes [\d.]+ cells across/);
    await at.page.clickName('button', 'What falling onto Walker does');
    await at.page.clickName('menuitem', 'and not from above');
    await saved('walkers only touch', (p) => p.kinds.enemies[0]!.fromAbove === undefined);
  });

  it('are walked and jumped by keys', async () => {
    await play(1);
    await at.page.waitFor('it stands', async () => (await readPlay(at)).y > 10.6);
    await holdKey(at, Key.ARROW_UP, 'it rises', async () => (await readPlay(at)).y < 9.5);
    await at.page.waitFor('it has landed', async () => (await readPlay(at)).y > 10.6);
  });
});

describe('sections that are run through', () => {
  const run = (p: Project) => {
    const { ground } = p.levels['level-3']!;
    if (ground.kind !== 'run') throw new Error(`The ground is ${ground.kind}.`);
    return ground;
  };
  const sectionNamed = (p: Project, name: string) => run(p).sections.find((section) => section.name === name);

  it('start as a whole sequence that forecasts, with a score that sections and tokens make', async () => {
    await start(/is carried forward/, /reach a score/);
    const project = await document();
    expect(project.score.map(({ reading }) => reading.reading)).toEqual(['worth', 'sectionsPassed']);
    expect(run(project).sections).toHaveLength(12);
  });

  it('stand beside each other in pools, with what holds at each bound', async () => {
    await open('level/slot-3?view=ground');
    await at.page.seeText('(2: Warm-up, 3: Pace, 4: Pace)');
    await at.page.typeInto('Where Pace begins', '4');
    await saved('a bound', (p) => p.liveTiers?.sectionsPassed?.[1]?.from === 4);
    await at.page.seeText('(3: Warm-up, 4: Pace, 5: Pace)');
    await at.page.clickName('button', 'What tiers go by');
    await at.page.clickName('menuitem', 'units gone');
    await saved('by the way gone', (p) => run(p).drawnBy === 'distance');
    await at.page.chord('z', Key.CONTROL);
    await saved('by sections again', (p) => run(p).drawnBy === 'sectionsPassed');
  });

  it('are made, drawn, named, weighed, tried alone and removed', async () => {
    await at.page.clickName('button', '+ section');
    await saved('one more', (p) => run(p).sections.length === 13);
    await at.page.clickName('button', 'Wall');
    await groundPointer(at, [24, 10]).click(12, 7);
    await saved('a step', (p) => sectionNamed(p, 'Section')?.rows[7]?.[12] === '#');
    await at.page.clickName('button', /^Thorn \d/);
    await groundPointer(at, [24, 10]).click(5, 7);
    await saved('a thorn', (p) => sectionNamed(p, 'Section')?.pieces[0]?.piece === 'hazard');
    await at.page.typeInto('Weight of Section', '3');
    await at.page.typeInto('Tier of Section', '2');
    await saved('heavier, later', (p) => {
      const section = sectionNamed(p, 'Section');
      return section?.weight === 3 && section.tier === 2;
    });
    await at.page.clickName('button', 'try this section alone');
    await at.forecasting(() => at.page.seeText(/alone, \d+ % of Steady pass it/));
    await at.page.clickName('button', 'Name of Section');
    await at.page.typeOver('Thorn and step');
    await at.page.keys(Key.ENTER);
    await saved('named', (p) => sectionNamed(p, 'Thorn and step') !== undefined);
    await at.page.clickName('button', 'duplicate');
    await saved('twice', (p) => sectionNamed(p, 'Thorn and step 2')?.pieces.length === 1);
    await at.page.clickName('button', 'remove');
    await saved('once', (p) => sectionNamed(p, 'Thorn and step 2') === undefined);
    expect(run(await document()).rows.length).toBe(10);
  });

  it('are ranked by how often they end attempts', async () => {
    await at.page.clickName('button', 'Go on with the forecast');
    await at.page.seeText('Sections by how often they end attempts');
    await at.page.clickName('button', /^Walker$/);
    await at.page.find('button[aria-pressed=true][title^="Walker: weight"]');
    await at.page.seeText('sections passed');
    await at.page.clickName('button', 'Pause the forecast');
  });

  it('are run by keys; one can be forced, and the best attempts are watched again', async () => {
    await play(3);
    await at.page.waitFor('it runs by itself', async () => (await readPlay(at)).x > 4);
    const { y } = await readPlay(at);
    await holdKey(at, Key.ARROW_UP, 'it jumps', async () => (await readPlay(at)).y < y - 0.8);
    await at.page.seeText('Your best attempts');
    await at.page.waitFor('the end', async () => (await readPlay(at)).phase === 'lost');
    await at.page.clickName('button', 'watch');
    await at.page.seeText('Watched again, as it was played.');
    await at.page.keys('r', 'o');
    await at.page.clickName('button', 'Which section comes');
    await at.page.clickName('menuitem', 'only Flat stretch');
    await at.page.clickName('button', 'Start from this');
    await at.page.seeText('Only “Flat stretch” comes, for this play alone.');
  });
});

describe('a height that is risen to', () => {
  it('starts as a whole sequence that forecasts', async () => {
    await start(/rises while held/, /reach a height/);
    expect((await document()).levels['level-1']!.ground.kind).toBe('lift');
  });

  it('is risen to while a key is held, the clock starting at the first press', async () => {
    await play(1);
    const before = await readPlay(at);
    await at.page.waitFor('some ticks without a press', async () => (await readPlay(at)).tick > 20);
    expect((await readPlay(at)).y).toBe(before.y);
    await holdKey(at, Key.ARROW_UP, 'it rises', async () => (await readPlay(at)).y < before.y - 1);
    await at.page.seeText('The clock starts');
  });

  it('a level can become one on which the player moves otherwise, and back', async () => {
    await open('level/slot-3?view=ground');
    await at.page.clickName('button', 'Whole ground ▾');
    await at.page.clickName('menuitem', /roams freely/);
    await saved('a plan', (p) => p.levels['level-3']!.ground.kind === 'roam');
    await at.page.chord('z', Key.CONTROL);
    await saved('as before', (p) => p.levels['level-3']!.ground.kind === 'lift');
  });
});
