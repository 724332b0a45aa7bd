import { isDeepStrictEqual } from 'node:util';
import { beforeAll, describe, expect, it } from '@jest/globals';
import { valuesAt, wantedAt } from '@stadion/core/document/ramps';
import { Key } from 'selenium-webdriver';
import { TRIALS_WAIT_MS } from '../harness/browser.ts';
import { journey } from '../harness/journey.ts';
import { keepSlots } from '../harness/shorten.ts';

/** A server of its own, which others do not make wait: nearly all here is played there. */
const at = journey({ own: true, trials: true });

/** Three short levels of the demo, without enemies: the rest would take minutes to try. */
beforeAll(() =>
  keepSlots(
    `${at.server.address}/api/projects/${at.projectId}`,
    ['slot-1', 'slot-4', 'slot-11'],
    ({ slots, levels }) => [
      ...['slot-1', 'slot-4'].flatMap((id) => {
        const { levelId } = slots.find((slot) => slot.id === id)!;
        return levels[levelId]!.ground.pieces.flatMap(({ id: piece, piece: sort }) =>
          sort === 'enemy' || sort === 'spawner'
            ? [{ op: 'remove', path: `/levels/${levelId}/ground/pieces/${piece}` }]
            : [],
        );
      }),
      // A little nectar will do: attempts are short.
      ...['slot-1', 'slot-4'].map((id) => ({ op: 'add', path: `/parameters/nectarNeeded/pins/${id}`, value: 0.1 })),
      { op: 'replace', path: '/parameters/nectarNeeded/sane/min', value: 0.05 },
      { op: 'replace', path: '/parameters/clock/sane/min', value: 1 },
    ],
  ),
);

/** Waits longer than for what is drawn: attempts are played meanwhile, those of others as well. */
const seeInTime = (text: RegExp): Promise<void> => at.page.seeText(text, TRIALS_WAIT_MS);

const focus = (label: string): Promise<unknown> =>
  at.page.driver.executeScript(
    `[...document.querySelectorAll('[role=slider]')].find((one) => one.getAttribute('aria-label').startsWith(arguments[0])).focus();`,
    label,
  );

describe('trials', () => {
  it('show what every pacer makes of every level, held and going on', async () => {
    await at.open('trials/slot-1');
    await at.page.clickName('button', 'Pause');
    await at.page.seeText(/of 9 forecasts known, paused/);
    // Also where nobody sees that they are held.
    await at.open('level/slot-1');
    await at.page.clickName('button', 'Trials are paused: resume');
    await at.page.seeText('whiskers: 95 % interval');
    await at.open('trials/slot-1');
    await seeInTime(/All 9 forecasts known/);
    const cells = await at.page.driver.executeScript<string[]>(
      `return [...document.querySelectorAll('[role=cell] button')].map((one) => one.getAttribute('aria-label'));`,
    );
    expect(cells).toHaveLength(12);
    expect(cells.filter((cell) => /^Audience, \d .*: \d+ % \(\d+ % to \d+ %\), wanted \d+ %$/.test(cell))).toHaveLength(
      3,
    );
  });

  it('play runs through the sequence: how many come through, and how long it takes', async () => {
    await seeInTime(/of Steady’s runs go through all 3 levels; they take \d+/);
    await at.page.seeText(/Lives go to/);
  });

  it('have pacers of one’s own: added, changed, with a share of the audience, removed', async () => {
    await at.page.clickName('button', '+ pacer like Steady');
    await at.saved('a pacer', ({ pacers }) => pacers.some(({ name }) => name === 'Steady 2'));
    await at.page.typeInto(/^Steady 2: reaction/, '500');
    await at.page.typeInto(/^Steady 2: share of the audience/, '50');
    await at.saved('what it can do and its share', ({ pacers, audience }) => {
      const own = pacers.find(({ name }) => name === 'Steady 2');
      return own?.abilities.reactionMs === 500 && audience?.[own.id] === 0.5;
    });
    await at.page.clickName('button', 'Remove Steady 2');
    await at.page.clickName('button', 'Remove');
    await at.saved('three pacers', ({ pacers }) => pacers.length === 3);
  });
});

describe('a sweep', () => {
  it('tells the rates along a parameter, and a click takes a value', async () => {
    await at.open('trials/slot-1?show=sweep');
    await at.page.clickName('button', /^Parameter to try/);
    await at.page.clickName('menuitemradio', 'Clock');
    await at.page.typeInto(/^Clock from/, '5');
    await at.page.typeInto(/^Clock to/, '25');
    await at.page.clickName('button', 'Try them');
    await seeInTime(/[1-9]\d* of 240 attempts at each value, about \d+ (s|min) left/);
    // It continues after the page is loaded again; stopped, it waits until it is resumed.
    await at.page.driver.navigate().refresh();
    await seeInTime(/[1-9]\d* of 240 attempts at each value/);
    await at.page.clickName('button', 'Stop');
    await at.page.driver.navigate().refresh();
    await seeInTime(/Clock at level 1 for Steady: [1-9]\d* of 240 attempts at each value$/m);
    await at.page.clickName('button', 'Go on');
    await seeInTime(/240 attempts at each value. Click one to pin it\./);
    await at.page.clickName('button', /^Pin 13 seconds: \d+ % \(\d+ % to \d+ %\)$/);
    await at.saved('a pin', ({ parameters }) => parameters.find(({ key }) => key === 'clock')?.pins['slot-1'] === 13);
    await at.page.chord('z', Key.CONTROL);
    await at.saved(
      'no pin',
      ({ parameters }) => parameters.find(({ key }) => key === 'clock')?.pins['slot-1'] === undefined,
    );
  });
});

describe('what is wanted', () => {
  it('is a line of any shape, with levels that say their own', async () => {
    await at.open('trials/slot-1?show=wanted');
    await at.page.clickName('button', /^Line of wanted clear rates/);
    await at.page.clickName('menuitemradio', 'Hold');
    await at.page.clickName('button', 'Let the line say all');
    await at.page.typeInto(/^Line: /, '85');
    await at.saved('a line', (project) => wantedAt(project, 2) === 0.85 && project.slots[1]!.wanted === undefined);
    await focus('Wanted at 3');
    await at.page.keys(Key.ARROW_DOWN);
    await at.saved('its own', (project) => project.slots[2]!.wanted === 0.84);
    await focus('Wanted at 3');
    await at.page.keys(Key.DELETE);
    await at.saved('the line again', (project) => project.slots[2]!.wanted === undefined);
  });

  it('turns ramps, tells before and after, and is taken in one edit', async () => {
    const before = (await at.document()).parameters;
    await at.page.clickName('button', /^Turned by/);
    await at.page.clickName('menuitemradio', /a point of the ramp/);
    await at.page.typeInto('Clock, at least', '30');
    await at.page.clickName('button', 'Fit');
    await seeInTime(/\d of 3 levels within 5 points of what is wanted for Steady; before: \d/);
    await at.page.clickName('button', /^Take it: \d ramps in one edit/);
    await at.saved('turned ramps', ({ parameters }) => JSON.stringify(parameters) !== JSON.stringify(before));
    const turned = await at.document();
    for (const position of [1, 2, 3]) expect(valuesAt(turned, position)['clock']).toBeGreaterThanOrEqual(30);
    await at.page.chord('z', Key.CONTROL);
    // A removed field returns at the end of its object: the order of names does not count.
    await at.saved('the ramps as before', ({ parameters }) => isDeepStrictEqual(parameters, before));
  });
});

describe('one level', () => {
  it('is brought to a clear rate by a parameter, and the answer is pinned', async () => {
    await at.open('level/slot-1');
    await at.page.clickName('button', /^Bring it there/);
    await at.page.typeInto(/^Wanted clear rate/, '70');
    await at.page.clickName('button', /^By which parameter/);
    await at.page.clickName('menuitemradio', 'Clock');
    await at.page.clickName('button', 'Search');
    await seeInTime(/in attempts of its own/);
    await at.page.clickName('button', 'Pin it here');
    await at.saved('a pin', ({ parameters }) =>
      Object.hasOwn(parameters.find(({ key }) => key === 'clock')!.pins, 'slot-1'),
    );
  });

  it('gets its stars from shares of those who clear it, and its par', async () => {
    await at.page.clickName('button', /^Stars and par from shares/);
    await at.page.seeText(/★★★ for the best/);
    await seeInTime(/of 200 attempts without mistakes:\s+\d+ s/);
    await at.page.clickName('button', 'Set par here');
    await at.saved('a par', ({ levels, slots }) => levels[slots[0]!.levelId]!.clock.parSeconds !== null);
    const stars = (await at.document()).levels;
    await at.page.clickName('button', 'Set here');
    await at.saved('stars', ({ levels }) => JSON.stringify(levels) !== JSON.stringify(stars));
  });
});
