import { describe, expect, it } from '@jest/globals';
import { Key } from 'selenium-webdriver';
import { journey } from '../harness/journey.ts';
import { holdKey, readPlay } from '../harness/playing.ts';

const at = journey();

const read = () => readPlay(at);
const hold = (key: string, until: string, check: () => Promise<boolean>) => holdKey(at, key, until, check);

describe('play', () => {
  it('starts with P, and the clock waits for the first move', async () => {
    await at.open('level/slot-1');
    await at.page.keys('p');
    await at.page.find('canvas[data-phase=playing]');
    await at.page.seeText('(waits)');
    await at.page.seeText('the bee is inside Hive mouth');
  });

  it('moves by the arrows and by WASD, up to the walls', async () => {
    const start = await read();
    await hold(Key.ARROW_LEFT, 'the bee going left', async () => (await read()).x < start.x - 1);
    const left = await read();
    await hold('d', 'the bee going right by D', async () => (await read()).x > left.x + 0.5);
    await hold('s', 'the bee at the lower wall', async () => (await read()).y > 12.6);
    expect((await read()).y).toBeLessThan(12.72);
  });

  it('shows every condition live', async () => {
    const judge = await at.page.find('aside[aria-label="Judge and happenings"]');
    expect(await judge.getText()).toMatch(/nectar gathered is at least 62\s+\d+/);
    const marks = await at.page.driver.executeScript<number>(
      `return document.querySelectorAll('section[aria-label=Judge] [aria-label="not true"]').length;`,
    );
    expect(marks).toBeGreaterThan(2);
  });

  it('pauses and goes tick by tick', async () => {
    await at.page.keys(' ');
    await at.page.byName('button', /^Go on/);
    const { tick } = await read();
    await at.page.keys('.');
    await at.page.waitFor('one tick', async () => (await read()).tick === tick + 1);
    await at.page.keys(' ');
  });

  it('restarts with R', async () => {
    await at.page.keys('r');
    await at.page.waitFor('the beginning', async () => (await read()).tick < 60);
    await at.page.seeText('(waits)');
  });

  it('ends with the reason and the tick', async () => {
    // Sunlit Ponds is won before anybody has moved.
    await at.page.keys(Key.ESCAPE);
    await at.open('level/slot-11');
    await at.page.keys('p');
    await at.page.seeText('Won');
    await at.page.seeText('It holds: all of: nectar gathered is at least 0.');
    await at.page.seeText(/At tick 1,/);
    expect((await read()).tick).toBe(1);
  });

  it('tells a loss by the clock', async () => {
    await fetch(`${at.server.address}/api/projects/${at.projectId}`, {
      method: 'PATCH',
      headers: { 'Content-Type': 'application/json', 'If-Match': '"0"' },
      body: JSON.stringify({
        edits: [
          {
            id: 'short-clock-1',
            label: 'A clock of one second from the load',
            patch: [
              {
                op: 'replace',
                path: '/levels/clover-steps/clock',
                value: {
                  limitSeconds: { from: 'number', value: 1 },
                  starts: 'load',
                  warnAtSeconds: null,
                  parSeconds: null,
                  atExpiry: 'lose',
                },
              },
            ],
          },
        ],
      }),
    });
    await at.open('level/slot-1');
    await at.page.keys('p');
    await at.page.seeText('The clock ran out.');
    await at.page.seeText(/At tick 60,/);
  });

  it('leaves with Escape to where it came from', async () => {
    await at.page.keys(Key.ESCAPE);
    await at.page.find('section[aria-label=Sequence]');
    expect(await at.page.driver.getCurrentUrl()).toContain('/level/slot-1');
  });
});
