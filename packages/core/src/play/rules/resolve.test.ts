import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '../../exchange/demo/index.ts';
import { namesFor, placedOn, resolvingAt } from '../attempt/index.ts';
import {
  fromParameter,
  literal,
  type Amount,
  type Condition,
  type Reading,
  type Rule,
} from '../../document/model/index.ts';
import { valuesAt } from '../../document/ramps/index.ts';
import {
  amountInWords,
  causeInWords,
  conditionInWords,
  emptyObserved,
  endingOfRule,
  leaves,
  READINGS,
  readingInWords,
  resolveAmount,
  resolveRules,
  rulesOf,
  secondsToTicks,
  type Names,
} from './index.ts';

const project = homeBeforeDusk();
const level = project.levels['lavender-bank']!;
const values = valuesAt(project, 7);
const placed = placedOn(project, level, values);
const names: Names = namesFor(project, level);
const standing = (id: string): Rule => project.standing.find((rule) => rule.id === id)!;
const share = (
  of: Amount & { from: 'number' | 'parameter' },
  kind = 'any',
  measure: 'worth' | 'count' = 'worth',
): Amount => ({ from: 'share', share: of, of: kind, measure });

describe('what is placed', () => {
  it('is counted by kind and in all', () => {
    // Lavender Bank: 10 clover of 4, 8 lavender of 9, a royal bloom of 26.
    expect(placed.count).toEqual({ any: 19, clover: 10, lavender: 8, 'royal-bloom': 1 });
    expect(placed.worth).toEqual({ any: 138, clover: 40, lavender: 72, 'royal-bloom': 26 });
  });

  it('follows a worth that follows a parameter', () => {
    const ramped = homeBeforeDusk();
    ramped.kinds.collectables[0]!.worth = { from: 'parameter', parameter: 'hornetsSent', times: 2, plus: 3 };
    // Hornets sent at 7 is 1: 1 × 2 + 3 = 5 each.
    expect(placedOn(ramped, level, values).worth['clover']).toBe(50);
  });
});

describe('an amount resolves', () => {
  it.each<[string, Amount, number]>([
    ['a literal', literal(12.5), 12.5],
    ['a parameter', fromParameter('clock'), 46],
    [
      'a parameter with factor and addend',
      { from: 'parameter', parameter: 'hornetSpeed', times: 0.8, plus: 0.4 },
      2.44,
    ],
    ['a share of the points, rounded up', share(fromParameter('nectarNeeded')), 76],
    ['a share of the pieces', share(literal(0.5), 'any', 'count'), 10],
    ['a share of one kind', share(literal(0.5), 'lavender', 'count'), 4],
    ['a share that is whole but for binary noise', share(literal(0.7), 'clover', 'count'), 7],
    ['everything', share(literal(1)), 138],
    ['nothing', share(literal(0)), 0],
    ['a share of what is not there', share(literal(1), 'thistle'), 0],
    ['a parameter that is gone', fromParameter('gone'), 0],
  ])('%s', (_case, amount, expected) => {
    expect(resolveAmount(amount, values, placed)).toBeCloseTo(expected, 12);
  });
});

describe('times', () => {
  it.each([
    [0, 0],
    [0.5, 30],
    [1 / 60, 1],
    [0.008, 0],
    [-3, 0],
    [46, 2760],
  ])('%d s are %d ticks', (seconds, ticks) => {
    expect(secondsToTicks(seconds)).toBe(ticks);
  });
});

describe('rules resolve', () => {
  it('into plain data with indices for names', () => {
    const rules = rulesOf(project, level).map(({ rule }) => rule);
    const resolved = resolveRules(rules, resolvingAt(project, level, 7));
    const won = resolved.find((rule) => rule.id === 'won');
    const hornet = resolved.find((rule) => rule.id === 'hornet-touch');
    expect(won).toEqual({
      id: 'won',
      when: {
        id: 'all',
        is: 'all',
        of: [
          {
            id: 'enough-nectar',
            is: 'compare',
            reading: 'worth',
            subject: 3,
            comparison: 'atLeast',
            amount: 76,
            heldTicks: 0,
          },
          { id: 'home', is: 'onOff', reading: 'inside', subject: 0, on: true, heldTicks: 30 },
        ],
      },
      then: [{ effect: 'win' }],
      fires: 'once',
    });
    expect(hornet!.then).toEqual([{ effect: 'loseLife', lives: 1, back: 'checkpoint', resets: [], tallies: [] }]);
    expect(JSON.parse(JSON.stringify(won))).toEqual(won);
  });
});

describe('a reading reads', () => {
  const seen = emptyObserved({ collectables: 2, enemies: 1, zones: 1 });
  seen.clockTicks = 90;
  seen.limitTicks = 600;
  seen.lives = 3;
  seen.worth = [8, 9, 17];
  seen.collected = [2, 1, 3];
  seen.left = [4, 0, 4];
  seen.inside = [1];
  seen.touching = [0];
  it.each([
    ['worth', 2, 17],
    ['worth', 0, 8],
    ['collected', 2, 3],
    ['left', 1, 0],
    ['lives', 0, 3],
    ['timeElapsed', 0, 1.5],
    ['timeLeft', 0, 8.5],
    ['inside', 0, 1],
    ['touching', 0, 0],
  ] as const)('%s of subject %d as %d', (name, subject, expected) => {
    expect(READINGS[name].read(seen, subject)).toBeCloseTo(expected, 12);
  });

  it('no time left once the limit is passed, and endless time without one', () => {
    expect(READINGS.timeLeft.read({ ...seen, clockTicks: 900 }, 0)).toBe(0);
    expect(READINGS.timeLeft.read({ ...seen, limitTicks: -1 }, 0)).toBe(Number.POSITIVE_INFINITY);
  });
});

describe('in words', () => {
  it.each<[Reading, string]>([
    [{ reading: 'worth', of: 'any' }, 'nectar gathered'],
    [{ reading: 'worth', of: 'clover' }, 'nectar from clover'],
    [{ reading: 'collected', of: 'lavender' }, 'lavender gathered'],
    [{ reading: 'left', of: 'any' }, 'pieces left'],
    [{ reading: 'lives' }, 'lives'],
    [{ reading: 'timeLeft' }, 'time left'],
    [{ reading: 'timeElapsed' }, 'time taken'],
    [{ reading: 'inside', zone: 'hive' }, 'the bee is inside Hive mouth'],
    [{ reading: 'touching', kind: 'hornet' }, 'a hornet touches the bee'],
    [{ reading: 'touching', kind: 'pond' }, 'a pond touches the bee'],
    [{ reading: 'score' }, 'score'],
    [{ reading: 'enemiesLeft', of: 'beetle' }, 'beetle left'],
    [{ reading: 'enemiesBeaten', of: 'any' }, 'enemies beaten'],
    [{ reading: 'health' }, 'health'],
    [{ reading: 'tries' }, 'tries at this level'],
    [{ reading: 'height' }, 'height of the bee'],
    [{ reading: 'distance' }, 'way the bee has gone'],
    [{ reading: 'tally', tally: 'stings' }, '“Stings”'],
    [{ reading: 'phase', piece: 'hornet-1' }, 'phase of Hornet 1'],
    [{ reading: 'latch', latch: 'gone' }, 'gone is on'],
    [{ reading: 'gate', gate: 'gone' }, 'gone is open'],
    [{ reading: 'offGround' }, 'the bee has left the ground'],
  ])('%j is “%s”', (reading, words) => {
    expect(readingInWords(reading, names)).toBe(words);
  });

  it.each<[Amount, string]>([
    [literal(0.1 + 0.2), '0.3'],
    [fromParameter('clock'), '“Clock”'],
    [{ from: 'parameter', parameter: 'hornetSpeed', times: -1.1, plus: 8 }, '“Hornet speed” × -1.1 + 8'],
    [{ from: 'parameter', parameter: 'clock', plus: -5 }, '“Clock” − 5'],
    [share(literal(0.55)), '55 % of what is placed'],
    [share(fromParameter('nectarNeeded')), '“Nectar needed” of what is placed'],
  ])('the amount %j is %s', (amount, words) => {
    expect(amountInWords(amount, names)).toBe(words);
  });

  it.each<[Condition, string]>([
    [
      level.rules[0]!.when,
      'all of: nectar gathered is at least “Nectar needed” of what is placed; the bee is inside Hive mouth for 0.5 s',
    ],
    [standing('out-of-lives').when, 'lives are at most 0'],
    [
      { id: 'x', is: 'onOff', reading: { reading: 'touching', kind: 'wasp' }, on: false },
      'not: a wasp touches the bee',
    ],
    [{ id: 'x', is: 'any', of: [] }, 'any of: nothing'],
  ])('the condition %# reads as a sentence', (condition, words) => {
    expect(conditionInWords(condition, names)).toBe(words);
  });

  it.each([
    ['out-of-lives', 'Out of lives'],
    ['hornet-touch', 'hornet'],
    ['wasp-touch', 'wasp'],
  ])('the cause of %s is “%s”', (id, cause) => {
    expect(causeInWords(standing(id), names)).toBe(cause);
  });
});

describe('a walk through rules', () => {
  it('finds the leaves with their place', () => {
    expect(leaves(level.rules[0]!.when).map(({ leaf, path }) => [leaf.id, path.join('/')])).toEqual([
      ['enough-nectar', 'of/0'],
      ['home', 'of/1'],
    ]);
  });

  it('tells endings from milestones', () => {
    expect([...level.rules, ...project.standing].map(endingOfRule)).toEqual(['won', 'lost', null, null, null]);
  });
});
