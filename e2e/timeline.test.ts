import { describe, expect, it } from '@jest/globals';
import { Key } from 'selenium-webdriver';
import { journey } from '../harness/journey.ts';
import { holdKey, readPlay } from '../harness/playing.ts';

const at = journey();

const read = () => readPlay(at);
const hold = (key: string, until: string, check: () => Promise<boolean>) => holdKey(at, key, until, check);

describe('looking back', () => {
  it('goes tick by tick, to before the first move, and plays on from there', async () => {
    await at.open('bouts/slot-13');
    // Fights on the way would stop it.
    await at.page.clickName('button', 'No meetings here');
    await at.saved('no meetings', ({ levels }) => levels['behind-the-walls']!.meetings === undefined);
    await at.open('level/slot-13');
    await at.page.keys('p');
    await at.page.find('canvas[data-phase=playing]');
    await hold(Key.ARROW_DOWN, 'some way', async () => (await read()).y > 3.5);
    await at.page.keys(' ');
    await at.page.find('section[aria-label=Timeline]');
    const paused = await read();
    await at.page.keys(',');
    await at.page.waitFor('a tick back', async () => (await read()).tick === paused.tick - 1);
    await at.page.clickName('button', 'To before the first move');
    await at.page.waitFor('the start', async () => (await read()).tick === 0);
    await at.page.seeText('before the first move');
    expect((await read()).y).toBe(2.5);
    await at.page.clickName('button', 'To the last tick');
    await at.page.waitFor('the same place again', async () => {
      const now = await read();
      return now.tick === paused.tick && now.y === paused.y;
    });
    const slider = await at.page.byName('textbox', 'Tick looked at').catch(() => at.page.find('input[type=range]'));
    await at.page.driver.executeScript('arguments[0].focus()', slider);
    await at.page.keys(Key.HOME);
    await at.page.waitFor('the slider at the start', async () => (await read()).tick === 0);
    await at.page.clickName('button', 'Play on from here');
    await at.page.waitFor('play goes on', async () => (await read()).tick > 5);
    expect((await read()).y).toBe(2.5);
  });
});

describe('beginning from a state', () => {
  it('sets place, pieces, clock and latch, and the judge takes them', async () => {
    await at.page.keys('o');
    await at.page.find('section[aria-label="Start from a state"]');
    await at.page.typeInto('Place across', '22');
    await at.page.typeInto('Place down', '3');
    await at.page.typeInto('Clover gathered', '9');
    await at.page.typeInto('Lavender gathered', '7');
    await at.page.typeInto('Time gone', '10');
    await at.page.driver.executeScript(
      `[...document.querySelectorAll('section[aria-label="Start from a state"] input[type=checkbox]')][0].click()`,
    );
    await at.page.clickName('button', 'Start from this');
    // It stands until the first key is pressed; this one moves nothing here.
    await at.page.seeText('It stands until the first key is pressed.');
    expect((await read()).tick).toBe(0);
    await at.page.keys('x');
    // Enough nectar, the gate open, half a second in the hive: won at the 30th tick.
    await at.page.seeText('Won');
    await at.page.seeText(/At tick 30,/);
  });

  it('tells the whole timeline of an ended attempt, and its deciding tick', async () => {
    await at.page.clickName('button', 'Look back');
    await at.page.find('section[aria-label=Timeline]');
    await at.page.seeText('the deciding tick');
    const bars = await at.page.driver.executeScript<string[]>(
      `return [...document.querySelectorAll('section[aria-label=Timeline] [role=img]')].map((bar) => bar.getAttribute('aria-label'));`,
    );
    expect(bars.find((bar) => bar.startsWith('Won when'))).toMatch(/true 1 time, fired 1×/);
    await at.page.clickName('button', 'A tick back');
    await at.page.waitFor('one before', async () => (await read()).tick === 29);
    expect((await read()).phase).toBe('playing');
  });
});

describe('play at every sort of level', () => {
  it('shows health, what is beaten and the score, and shoots', async () => {
    await at.open('level/slot-12');
    await at.page.keys('p');
    await at.page.find('canvas[data-phase=playing]');
    await at.page.seeText(/beaten\s*0 of 6/);
    await at.page.seeText(/health\s*100/);
    await at.page.keys('o');
    await at.page.typeInto('Time gone', '10');
    await at.page.clickName('button', 'Start from this');
    await at.page.seeText(/time left\s*[89]\.\d s/);
  });

  it('leads on to the next slot', async () => {
    await at.open('level/slot-11');
    await at.page.keys('p');
    await at.page.clickName('button', 'On to 12');
    await at.page.waitFor('slot 12', async () => (await at.page.driver.getCurrentUrl()).endsWith('/play/slot-12'));
  });
});
