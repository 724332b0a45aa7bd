import { describe, expect, it } from '@jest/globals';
import { Key } from 'selenium-webdriver';
import { journey } from '../harness/journey.ts';

const at = journey();

const focusCell = async (name: string): Promise<void> => {
  const cell = await at.page.driver.executeScript<unknown>(
    `return [...document.querySelectorAll('[role=gridcell]')].find((cell) => cell.getAttribute('aria-label').startsWith(arguments[0]));`,
    name,
  );
  await at.page.driver.executeScript('arguments[0].focus()', cell);
};

describe('the sequence screen', () => {
  it('says the order of play and what opens a slot', async () => {
    await at.open('level/slot-5');
    await at.page.keys('1');
    await at.page.seeText('In which order levels are played');
    await at.page.clickName('button', 'Order of play');
    await at.page.clickName('menuitem', 'in order once, then shuffled for ever');
    await at.page.seeText('there is no last slot');
    await at.page.clickName('button', 'Order of play');
    await at.page.clickName('menuitem', 'in order');
    await at.page.clickName('button', 'After the last slot');
    await at.page.clickName('menuitem', 'it goes on, the ramps too');
    await at.page.clickName('button', 'What opens a slot');
    await at.page.clickName('menuitem', 'by stars gathered');
    await at.page.typeInto('Stars per slot before it', '1.5');
    await at.saved('order, end and opening', ({ run }) =>
      JSON.stringify([run.order, run.afterLast, run.unlock]).includes(
        '"inOrder","goOn",{"by":"stars","perSlot":{"from":"number","value":1.5}}',
      ),
    );
  });

  it('has a star gate before a slot, and doubts one nobody can open', async () => {
    await at.page.clickName('button', '+ star gate before slot 5');
    await at.page.typeInto('Stars before slot 5', '13');
    await at.page.seeText('It takes 13 stars, and the slots before it give 12 at most.');
    await at.page.typeInto('Stars before slot 5', '7');
    await at.saved('a gate', (p) => JSON.stringify(p.slots[4]!.starGate) === '{"from":"number","value":7}');
  });

  it('counts lives', async () => {
    await at.page.typeInto('Lives at the start', '3');
    await at.page.typeInto('a life every', '300');
    await at.page.clickName('button', 'After a game over');
    await at.page.clickName('menuitem', 'from the same slot');
    await at.saved('lives', ({ run }) =>
      JSON.stringify([run.livesAtStart, run.lifeEvery, run.onGameOver]).includes(
        '"value":3},{"from":"number","value":300},"sameSlot"',
      ),
    );
  });

  it('keeps and resets by the keyboard in a grid', async () => {
    await focusCell('Score at a retry');
    await at.page.keys(Key.ENTER);
    await at.saved('score reset', (p) => p.run.keep['score']!.retry.is === 'reset');
    await at.page.keys(Key.ARROW_RIGHT, Key.ARROW_DOWN);
    const here = await at.page.driver.executeScript<string>('return document.activeElement.getAttribute("aria-label")');
    expect(here).toBe('Lives at the next level: keep');
    await at.page.keys('5');
    await at.page.find('[role=gridcell] input');
    await at.page.keys(Key.ENTER);
    await at.saved('five lives', (p) => JSON.stringify(p.run.keep['lives']!.next).includes('"value":5'));
    await at.page.keys(Key.DELETE);
    await at.saved(
      'the start’s lives',
      (p) => JSON.stringify(p.run.keep['lives']!.next) === '{"is":"reset","to":null}',
    );
    await at.page.keys(Key.ENTER);
    await at.saved('kept again', (p) => p.run.keep['lives']!.next.is === 'keep');
  });

  it('has tallies of its own, and asks before one that rules use is removed', async () => {
    await at.page.clickName('button', '+ tally');
    await at.saved('two tallies', (p) => p.tallies.length === 2);
    await at.page.seeText('Tally 2');
    await at.page.clickName('button', 'Remove the tally Tally 2');
    await at.saved('one tally', (p) => p.tallies.length === 1 && !('tally-2' in p.run.keep));
    await at.page.clickName('button', 'Remove the tally Stings');
    await at.page.seeText('These name it and are removed with it:');
    await at.page.clickName('answer', 'Keep');
  });

  it('composes the score', async () => {
    await at.page.clickName('button', '+ part');
    await at.page.find('[role=combobox]');
    await at.page.keys('beaten', Key.ENTER);
    await at.saved('four parts', (p) => p.score.length === 4);
    await at.page.typeInto('Points for each of the enemies beaten', '15');
    await at.saved('15 points each', (p) => JSON.stringify(p.score[3]!.times).includes('15'));
  });

  it('says what the player can do, and how lengths are shown', async () => {
    await at.open('kinds/slot-5');
    await at.page.typeInto('Health of the player', '120');
    await at.page.clickName('button', '+ ammunition');
    await at.open('sequence/slot-5');
    await at.page.clickName('button', 'Lengths are shown in');
    await at.page.clickName('menuitem', 'feet');
    await at.page.typeInto('Metres in a unit', '2 ft');
    await at.saved('all of it', ({ player, lengths }) =>
      JSON.stringify([player.health, lengths, player.shooting?.ammunition]).includes(
        '"value":120},{"metresPerUnit":0.6096,"shown":"feet"},{"from":"number","value":30}',
      ),
    );
  });

  it('has the rules that stand in every level', async () => {
    const buttons = '+ milestone';
    await at.page.clickName('button', buttons);
    await at.page.find('[role=combobox]');
    await at.page.keys('little time', Key.ENTER);
    await at.saved('a standing milestone', (p) => p.standing.length === 5);
  });

  it('keeps one run’s ledger, by these rules', async () => {
    await at.open('sequence/slot-5');
    await at.page.clickName('button', 'a game over at slot 5');
    const ledger = (): Promise<string> => at.page.textOf('table[aria-label="Ledger of the run"]');
    await at.page.waitFor('a game over', async () => (await ledger()).includes('game over; game over: on from slot 5'));
    await at.page.clickName('button', 'wins everything');
    await at.page.waitFor('wins', async () => !(await ledger()).includes('game over'));
    // 83 points at slots 1 and 2, none at 3, a bout, and 92 at 4: 258, so the life at 300 comes at slot 5.
    expect(await ledger()).toContain('1 life for points');
    await at.page.clickName('button', 'Attempt 1: won');
    await at.page.waitFor('a retry', async () => (await ledger()).includes('retry'));
    await at.page.seeText(/Goes on at slot \d+|The run is over/);
  });
});

describe('the slot menu', () => {
  it('repeats a level', async () => {
    await at.open('sequence/slot-2');
    await at.page.clickName('button', /^Level 2/);
    await at.page.clickName('menuitem', 'Repeat: the same level once more');
    await at.saved('25 slots', (p) => p.slots.length === 25 && p.slots[2]!.levelId === p.slots[1]!.levelId);
    await at.page.chord('z', Key.CONTROL);
    await at.saved('24 slots', (p) => p.slots.length === 24);
  });
});
