import { describe, expect, it } from '@jest/globals';
import { startingJudgeOf, worthAtStart } from '../attempt/index.ts';
import { prepareLevel } from '../movement/index.ts';
import { homeBeforeDusk } from '../../exchange/demo/index.ts';
import { literal, type Project } from '../../document/model/index.ts';
import { atLeast, atMost, clover, garden, is, rule } from '../../testing/index.ts';
import { clockCasesOf, edgeCasesOf, rulesOf, starCasesOf, type EdgeCase } from './index.ts';

/** A rule's table at a slot, as “place value: verdict”. */
function table(project: Project, position: number, id: string): { cases: EdgeCase[]; said: string[] } {
  const level = project.levels[project.slots[position - 1]!.levelId]!;
  const index = rulesOf(project, level).findIndex((entry) => entry.rule.id === id);
  const prepared = prepareLevel(project, position);
  const cases = edgeCasesOf(startingJudgeOf(prepared), index, worthAtStart(prepared));
  const said = cases.map(
    ({ condition, place, value, outcome }) =>
      `${condition} ${place} ${Math.round(value * 1000) / 1000}: ${outcome.verdict}`,
  );
  return { cases, said };
}

describe('the table of a win', () => {
  it('turns at the threshold, at the holding time and at the exit', () => {
    // Clover Steps: 62 of 124 needed, half a second inside, 48 s on the clock.
    expect(table(homeBeforeDusk(), 1, 'won').said).toEqual([
      'enough-nectar below 61: goesOn',
      'enough-nectar at 62: won',
      'enough-nectar above 63: won',
      'enough-nectar zero 0: goesOn',
      'enough-nectar everything 124: won',
      'home off 0: goesOn',
      'home on 1: won',
      'home heldTooBriefly 0.483: goesOn',
      'home heldExactly 0.5: won',
      'won coincides 0: won',
      'won coincides 0: won',
    ]);
  });

  it('follows the tie where endings coincide', () => {
    const project = homeBeforeDusk();
    project.levels['clover-steps']!.tie = 'loss';
    const { cases } = table(project, 1, 'won');
    expect(cases.filter(({ place }) => place === 'coincides').map(({ outcome }) => outcome.verdict)).toEqual([
      'lost',
      'lost',
    ]);
  });
});

const won = (when: Parameters<typeof rule>[1]) => rule('won', when, [{ effect: 'win' }]);
const enough = atLeast('enough', { reading: 'worth', of: 'any' }, 4);
const quick = atMost('quick', { reading: 'timeElapsed' }, 10);

describe('what is around the probed condition', () => {
  const pieces = [clover('c', 7.5)];
  it.each<[string, Parameters<typeof rule>[1], string[]]>([
    [
      'in “any of” does not hold, so that it decides',
      { id: 'g', is: 'any', of: [enough, atLeast('late', { reading: 'timeElapsed' }, 10)] },
      ['enough below 3: goesOn', 'enough at 4: won', 'late below 9.983: goesOn', 'late at 10: won'],
    ],
    [
      'in “none of” does not hold either',
      { id: 'g', is: 'none', of: [enough, quick] },
      ['enough below 3: won', 'enough at 4: goesOn', 'quick at 10: goesOn', 'quick above 10.017: won'],
    ],
    [
      'in “at least 2 of” is one short',
      { id: 'g', is: 'atLeast', count: literal(2), of: [enough, quick, is('off', { reading: 'offGround' })] },
      ['enough below 3: goesOn', 'enough at 4: won', 'off off 0: goesOn', 'off on 1: won'],
    ],
    [
      'in an order has come before',
      { id: 'g', is: 'inOrder', of: [is('off', { reading: 'offGround' }), enough] },
      ['off off 0: goesOn', 'off on 1: won', 'enough below 3: goesOn', 'enough at 4: won'],
    ],
  ])('%s', (_case, when, expected) => {
    const { said } = table(garden({ pieces, rules: [won(when)] }), 1, 'won');
    for (const line of expected) expect(said).toContain(line);
  });
});

describe('the table of a clock', () => {
  it('has the win at the very last tick beside it', () => {
    const project = garden({
      pieces: [clover('c', 7.5)],
      rules: [won(enough)],
      change: (_project, level) => (level.clock.limitSeconds = literal(20)),
    });
    const { cases } = table(project, 1, 'won');
    const last = cases.at(-1)!;
    expect([last.place, last.other, last.outcome.verdict]).toEqual(['coincides', -1, 'won']);
  });
});

describe('the table of a milestone', () => {
  it('says whether it fires', () => {
    const project = garden({
      pieces: [clover('c', 7.5)],
      rules: [rule('half', enough, [{ effect: 'cue', name: 'hum' }])],
    });
    const { cases } = table(project, 1, 'half');
    expect(cases.map(({ place, fires }) => [place, fires])).toEqual([
      ['below', false],
      ['at', true],
      ['above', true],
      ['zero', false],
    ]);
  });
});

describe('every rule of the demo', () => {
  it('has a table, and no case of it throws', () => {
    const project = homeBeforeDusk();
    project.slots.forEach((slot, index) => {
      const level = project.levels[slot.levelId]!;
      for (const { rule: entry } of rulesOf(project, level)) {
        expect(table(project, index + 1, entry.id).cases.length).toBeGreaterThan(1);
      }
    });
  });
});

describe('the table of the clock', () => {
  it('turns at the limit exactly, and says what grading brings with nothing and with everything', () => {
    const verdicts = (atExpiry: 'lose' | 'win' | 'grade'): string[] => {
      const project = garden({
        pieces: [clover('c', 7.5)],
        change: (_project, level) => {
          level.clock.limitSeconds = literal(20);
          level.clock.atExpiry = atExpiry;
          level.stars = { is: 'ladder', reading: 'worth', direction: 'atLeast', thresholds: [literal(4)] };
        },
      });
      const prepared = prepareLevel(project, 1);
      return clockCasesOf(startingJudgeOf(prepared), worthAtStart(prepared)).map(({ outcome }) => outcome.verdict);
    };
    expect(verdicts('lose')).toEqual(['goesOn', 'lost', 'lost', 'lost']);
    expect(verdicts('win')).toEqual(['goesOn', 'won', 'won', 'won']);
    expect(verdicts('grade')).toEqual(['goesOn', 'lost', 'lost', 'won']);
  });
});

describe('the table of the stars', () => {
  it('turns at every threshold', () => {
    const prepared = prepareLevel(homeBeforeDusk(), 1);
    // Clover Steps: a star for clearing, one at 12 s left, one at 22 s.
    expect(
      starCasesOf(startingJudgeOf(prepared)).map(({ star, place, outcome }) => [star, place, outcome.stars]),
    ).toEqual([
      [1, 'below', 1],
      [1, 'at', 2],
      [1, 'above', 2],
      [2, 'below', 2],
      [2, 'at', 3],
      [2, 'above', 3],
    ]);
  });
});
