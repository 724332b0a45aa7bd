import { describe, expect, it } from '@jest/globals';
import type { Level, Project } from '@stadion/core/document/model';
import { Key } from 'selenium-webdriver';
import { journey } from '../harness/journey.ts';

const at = journey();

const level = (project: Project, id: string): Level => project.levels[id]!;
const ids = (project: Project, id: string): string[] => level(project, id).rules.map((rule) => rule.id);
/** Opens the list of what can be said, types a few words and takes the line. */
const say = async (button: string, words: string, line: string): Promise<void> => {
  await at.page.clickName('button', button);
  await at.page.find('[role=combobox]');
  await at.page.keys(words);
  // The list shrinks under the pointer while it is typed.
  await at.page.waitFor('the words typed', async () =>
    at.page.driver.executeScript<boolean>('return document.activeElement.value === arguments[0]', words),
  );
  await at.page.clickName('option', line);
};

describe('saying a rule', () => {
  it('starts from what is meant: a word or two find the line, Enter takes it', async () => {
    await at.open('level/slot-13');
    await at.page.clickName('button', '+ way to win');
    await at.page.find('[role=combobox]');
    await at.page.keys('only gate');
    await at.page.byName('option', 'Reach Hive mouth while the garden gate is open');
    await at.page.keys(Key.ENTER);
    await at.saved('the gated exit', (p) =>
      JSON.stringify(level(p, 'behind-the-walls').rules.at(-1)!.when).includes('"reading":"gate"'),
    );
    await at.page.chord('z', Key.CONTROL);
    await at.saved('taken back', (p) => ids(p, 'behind-the-walls').length === 2);
  });

  it.each([
    ['slot-1', '+ way to win', 'survive', 'Survive until the clock ends', 'clover-steps', '"atExpiry":"win"'],
    [
      'slot-12',
      '+ way to win',
      'beetles',
      'Beat as many enemies as “Beetles” says',
      'orchard-at-noon',
      '"reading":"enemiesBeaten"',
    ],
    [
      'slot-13',
      '+ way to lose',
      'leaving life',
      'Leaving the ground costs a life and what was gathered',
      'behind-the-walls',
      '"resets":["gathered"]',
    ],
    [
      'slot-24',
      '+ milestone',
      'wave',
      'At half of the nectar, send the wave of Hornet spawner 2',
      'home-before-dusk',
      '"spawner":"late-nest"',
    ],
  ])('%s: %s, “%s”', async (slot, button, words, line, id, written) => {
    await at.open(`level/${slot}`);
    const before = JSON.stringify(level(await at.document(), id)).split(written).length;
    await say(button, words, line);
    await at.saved(line, (p) => JSON.stringify(level(p, id)).split(written).length > before);
    await at.page.chord('z', Key.CONTROL);
    await at.saved('as before', (p) => JSON.stringify(level(p, id)).split(written).length === before);
  });
});

describe('a height', () => {
  it('is typed in metres or feet and kept in units', async () => {
    await at.open('level/slot-15');
    await at.page.byName('button', 'height of the bee: 5.75 m');
    await at.page.typeInto('height of the bee', '20 ft');
    // 20 ft are 6.096 m, at half a metre a unit.
    await at.saved('12.192 units', (p) =>
      JSON.stringify(level(p, 'steep-bank').rules[0]!.when).includes('"value":12.192'),
    );
    await at.page.byName('button', 'height of the bee: 6.1 m');
  });
});

describe('a rule', () => {
  it('is moved by the keyboard, duplicated, switched off and on', async () => {
    await at.open('level/slot-24');
    const before = ids(await at.document(), 'home-before-dusk');
    const more = await at.page.byName('button', /^What to do with: a spider web/);
    await at.page.driver.executeScript('arguments[0].focus()', more);
    await at.page.chord(Key.ARROW_UP, Key.ALT);
    await at.saved('one up', (p) => ids(p, 'home-before-dusk').indexOf('caught') === before.indexOf('caught') - 1);
    await at.page.clickName('button', /^What to do with: a spider web/);
    await at.page.clickName('menuitem', 'Duplicate');
    await at.saved('a copy', (p) => ids(p, 'home-before-dusk').some((id) => id.startsWith('caught-')));
    await at.page.clickName('button', /^What to do with: way the bee has gone/);
    await at.page.clickName('menuitem', 'Switch on');
    await at.saved('on', (p) => level(p, 'home-before-dusk').rules.every((rule) => rule.off !== true));
  });

  it('that stands for all is switched off here, replaced here, and made from one’s own', async () => {
    await at.open('level/slot-2');
    await at.page.clickName('button', /^What to do with: a wasp touches/);
    await at.page.clickName('menuitem', 'Switch off here');
    await at.saved('off here', (p) => level(p, 'dew-on-the-beds').standingRulesOff.includes('wasp-touch'));
    await at.page.seeText('standing, off here');
    await at.page.clickName('button', /^What to do with: a hornet touches/);
    await at.page.clickName('menuitem', 'Replace here by a rule of its own');
    await at.saved('replaced', (p) =>
      level(p, 'dew-on-the-beds').rules.some((rule) => rule.replaces === 'hornet-touch'),
    );
    await at.page.seeText('instead of a standing rule');
    await say('+ milestone', 'little time', 'When little time is left, show a message');
    await at.page.clickName('button', /^What to do with: time left is at most 10/);
    await at.page.clickName('menuitem', 'Let it hold in every level');
    await at.saved('standing', (p) => p.standing.some((rule) => rule.id.startsWith('hurry')));
    await at.open('level/slot-9');
    await at.page.byName('button', /^What to do with: time left is at most 10/);
  });

  it('says what is lost with a life, and where it goes on', async () => {
    await at.open('level/slot-9');
    await at.page.clickName('button', 'With the life');
    await at.page.clickName('menuitem', /^what was gathered/);
    await at.saved('gathered is lost', (p) => JSON.stringify(p.standing[1]!.then[0]).includes('"resets":["gathered"]'));
    await at.page.byName('button', 'With the life: undoing what was gathered');
  });
});

describe('clock, stars and ending', () => {
  it('let the clock start on a condition and the stars decide', async () => {
    await at.open('level/slot-8');
    await at.page.clickName('button', 'Clock starts at');
    await at.page.clickName('menuitem', 'when a condition first holds');
    await at.page.seeText('It starts when');
    await at.page.clickName('button', 'When the clock runs out');
    await at.page.clickName('menuitem', 'the stars decide');
    await at.saved('both', (p) => {
      const { clock } = level(p, 'midday-meadow');
      return clock.startsWhen !== undefined && clock.atExpiry === 'grade';
    });
    await at.page.clickName('button', 'Edge cases of the clock');
    await at.page.seeText('time taken, with nothing gathered');
  });

  it('stand on another reading, or on a condition each', async () => {
    await at.page.clickName('button', 'What stars stand on');
    await at.page.clickName('menuitem', 'lives left');
    await at.saved('by lives', (p) => JSON.stringify(level(p, 'midday-meadow').stars).includes('"reading":"lives"'));
    await at.page.byName('button', '2 stars: lives left');
    await at.page.clickName('button', 'What stars stand on');
    await at.page.clickName('menuitem', 'a condition each');
    await at.saved('each its own', (p) => level(p, 'midday-meadow').stars.is === 'conditions');
    await at.page.clickName('button', 'Star 2: comparison');
  });

  it('say what happens after a loss', async () => {
    await at.open('level/slot-8');
    await at.page.clickName('button', /^Message after a loss/);
    await at.page.typeOver('The sun was quicker.');
    await at.page.keys(Key.ENTER);
    await at.page.clickName('button', 'Next after a loss');
    await at.page.clickName('menuitem', /^slot 7,/);
    await at.saved('message and next', (p) => {
      const { lost } = level(p, 'midday-meadow').ending;
      return lost.message === 'The sun was quicker.' && lost.next.to === 'slot' && lost.next.slot === 'slot-7';
    });
  });
});

describe('edge cases', () => {
  it('are shown by the judge, kept as an expectation, and missed after an edit that breaks it', async () => {
    await at.open('level/slot-1');
    await at.page.clickName('button', /^Edge cases: all of/);
    // Clover Steps: half of 124 is 62.
    await at.page.seeText('just below');
    const table = await at.page.textOf('table[aria-label="Edge cases"]');
    expect(table).toMatch(/nectar gathered\s+61\s+just below\s+goes on/);
    expect(table).toMatch(/62\s+at\s+won/);
    expect(table).toMatch(/with: the clock runs out\s+in the same tick\s+won/);
    await at.page.clickName('button', 'Expect this from now on: nectar gathered 62 at');
    await at.saved('an expectation', (p) => p.expectations.length === 2);
    await at.page.typeInto('nectar gathered', '70');
    await at.page.keys('f');
    await at.page.seeText('An expectation is not met: nectar gathered 62, at.');
    await at.page.seeText('✕ not met');
    await at.page.chord('z', Key.CONTROL);
    await at.page.seeText('✓ met');
    await at.page.clickName('button', 'Drop the expectation: nectar gathered 62, at');
    await at.saved('dropped', (p) => p.expectations.length === 1);
    await at.page.keys('f');
  });

  it('hold for forecasts too', async () => {
    await at.open('level/slot-5');
    await at.forecasting(() => at.page.clickName('button', 'expect a clear rate about this from now on'));
    await at.saved('a rate', (p) =>
      p.expectations.some((entry) => entry.is === 'clearRate' && entry.slotId === 'slot-5'),
    );
    await at.page.seeText('Steady is expected to clear it between');
    await at.page.typeInto('Expected clear rate, from', '99');
    await at.page.seeText('At most');
    await at.page.keys(Key.ESCAPE);
    await at.page.typeInto('Expected clear rate, to', '100');
    await at.page.typeInto('Expected clear rate, from', '99');
    await at.page.seeText('not met');
  });
});

describe('copying rules', () => {
  it('goes to several levels in one move, says what changes, and is undone at once', async () => {
    await at.open('level/slot-24');
    await at.page.clickName('button', 'Copy rules to…');
    await at.page.find('section[aria-label="Copy rules to other levels"] input.field');
    await at.page.keys('1, 30');
    await at.page.seeText('Slots are numbers from 1 to 24');
    await at.page.typeOver('1, 13');
    await at.page.seeText(/Clover Steps: .*adds \d+/);
    await at.page.seeText('There is no gate “gate-1” on this ground.');
    const before = ids(await at.document(), 'clover-steps');
    await at.page.clickName('button', 'Copy to 2 levels');
    await at.saved('more rules', (p) => ids(p, 'clover-steps').length > before.length);
    expect(ids(await at.document(), 'behind-the-walls').length).toBeGreaterThan(3);
    await at.page.chord('z', Key.CONTROL);
    await at.saved('all as before', (p) => JSON.stringify(ids(p, 'clover-steps')) === JSON.stringify(before));
  });
});
