import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import type { Comparison } from '../../document/model/index.ts';
import { compare, emptyObserved, endTick, judgeTick, makeJudge, startVerdicts, starsFor, turnJudge } from './index.ts';
import type { ResolvedCondition, ResolvedEffect, ResolvedRule } from './index.ts';

const worthAtLeast = (amount: number, heldTicks = 0): ResolvedCondition => ({
  id: 'worth',
  is: 'compare',
  reading: 'worth',
  subject: 1,
  comparison: 'atLeast',
  amount,
  heldTicks,
});
const insideHive = (heldTicks = 0): ResolvedCondition => ({
  id: 'in',
  is: 'onOff',
  reading: 'inside',
  subject: 0,
  on: true,
  heldTicks,
});
const livesGone: ResolvedCondition = {
  id: 'lives',
  is: 'compare',
  reading: 'lives',
  subject: 0,
  comparison: 'atMost',
  amount: 0,
  heldTicks: 0,
};
const touched: ResolvedCondition = {
  id: 'touch',
  is: 'onOff',
  reading: 'touching',
  subject: 0,
  on: true,
  heldTicks: 0,
};
const rule = (
  id: string,
  when: ResolvedCondition,
  then: ResolvedRule['then'],
  fires: ResolvedRule['fires'] = 'once',
): ResolvedRule => ({ id, when, then, fires });
const win = (when: ResolvedCondition) => rule('win', when, [{ effect: 'win' }]);
const lose = (when: ResolvedCondition) => rule('lose', when, [{ effect: 'lose' }]);

function play(
  rules: ResolvedRule[],
  ticks: Partial<{ worth: number; inside: number; lives: number; touching: number }>[],
  tie: 'win' | 'loss' = 'win',
) {
  const judge = makeJudge(rules, tie);
  const verdicts = startVerdicts(judge);
  const seen = emptyObserved({ collectables: 1, enemies: 1, zones: 1 });
  seen.lives = 4;
  const due: number[][] = [];
  for (const tick of ticks) {
    if (tick.worth !== undefined) seen.worth[1] = tick.worth;
    if (tick.inside !== undefined) seen.inside[0] = tick.inside;
    if (tick.lives !== undefined) seen.lives = tick.lives;
    if (tick.touching !== undefined) seen.touching[0] = tick.touching;
    judgeTick(judge, seen, verdicts);
    endTick(judge, seen, verdicts, null);
    due.push(verdicts.due.slice(0, verdicts.dueCount));
  }
  return { verdicts, due, result: verdicts.ended ? verdicts.ending.result : 'playing' };
}

describe('a comparison', () => {
  it.each<[Comparison, boolean, boolean, boolean]>([
    // just below, at, just above 104
    ['atLeast', false, true, true],
    ['moreThan', false, false, true],
    ['atMost', true, true, false],
    ['lessThan', true, false, false],
    ['exactly', false, true, false],
    ['not', true, false, true],
  ])('%s below, at and above the amount is %s, %s, %s', (comparison, below, at, above) => {
    expect([103, 104, 105].map((value) => compare(comparison, value, 104))).toEqual([below, at, above]);
  });

  it('takes 8 seconds counted in ticks for 8 seconds', () => {
    expect(compare('atLeast', 480 * (1 / 60), 8)).toBe(true);
    expect(compare('exactly', 485 * (1 / 60), 485 / 60)).toBe(true);
  });
});

describe('a win of two conditions', () => {
  const rules = [win({ id: 'w', is: 'all', of: [worthAtLeast(104), insideHive(3)] })];

  it.each([
    ['with enough but outside', [{ worth: 104 }], 'playing'],
    ['inside with too little', [{ worth: 103, inside: 1 }, {}, {}, {}], 'playing'],
    ['inside too briefly', [{ worth: 104, inside: 1 }, {}], 'playing'],
    ['inside for the third tick', [{ worth: 104, inside: 1 }, {}, {}], 'won'],
    ['left and entered again', [{ worth: 104, inside: 1 }, {}, { inside: 0 }, { inside: 1 }, {}], 'playing'],
    ['inside first, enough later', [{ inside: 1 }, {}, {}, { worth: 110 }], 'won'],
  ])('%s', (_case, ticks, expected) => {
    expect(play(rules, ticks).result).toBe(expected);
  });
});

describe('groups', () => {
  it.each([
    ['all', [], 'won'],
    ['any', [], 'playing'],
    ['none', [], 'won'],
    ['all', [true, false], 'playing'],
    ['any', [true, false], 'won'],
    ['none', [true, false], 'playing'],
    ['none', [false, false], 'won'],
    ['all', [true, true], 'won'],
  ] as const)('%s of %j: %s', (is, truths, expected) => {
    const of = truths.map((truth) => worthAtLeast(truth ? 0 : 1));
    expect(play([win({ id: 'g', is, of })], [{}]).result).toBe(expected);
  });
});

describe('in order, inside another group', () => {
  const steps = (id: string): ResolvedCondition => ({
    ...{ id, is: 'inOrder' },
    of: [worthAtLeast(1), insideHive(), { ...worthAtLeast(1), id: 'again' }],
  });
  const rules = [win({ id: 'either', is: 'any', of: [livesGone, steps('steps')] })];

  it.each([
    [2, 'playing'],
    [3, 'won'],
  ])('takes one step a tick though nothing moves: %i ticks, %s', (ticks, expected) => {
    expect(play(rules, [{ worth: 1, inside: 1 }, ...new Array<object>(ticks - 1).fill({})]).result).toBe(expected);
  });

  it('waits for a step that is not true, and goes on from there', () => {
    const outside = [{ worth: 1 }, {}, {}, {}];
    expect(play(rules, outside).result).toBe('playing');
    expect(play(rules, [...outside, { inside: 1 }]).result).toBe('playing');
    expect(play(rules, [...outside, { inside: 1 }, {}]).result).toBe('won');
  });
});

describe('a comparison whose amount becomes another one', () => {
  it('is compared again though what it reads stays', () => {
    const judge = makeJudge(
      [win({ ...worthAtLeast(5), live: { dial: 0, times: 1, plus: 0 } } as ResolvedCondition)],
      'win',
    );
    const verdicts = startVerdicts(judge);
    const seen = emptyObserved({ collectables: 1, enemies: 1, zones: 1 });
    seen.worth[1] = 3;
    judgeTick(judge, seen, verdicts);
    expect(verdicts.truth[0]).toBe(false);
    turnJudge(judge, verdicts, seen, {}, [3]);
    judgeTick(judge, seen, verdicts);
    expect(verdicts.truth[0]).toBe(true);
  });
});

describe('a win and a loss in the same tick', () => {
  const rules = [lose(livesGone), win(worthAtLeast(1))];
  it.each([
    ['win', 'won'],
    ['loss', 'lost'],
  ] as const)('with the tie on %s is %s', (tie, expected) => {
    expect(play(rules, [{ worth: 1, lives: 0 }], tie).result).toBe(expected);
  });
});

describe('firing', () => {
  const life = { effect: 'loseLife', lives: 1, back: 'start', resets: [], tallies: [] } as ResolvedEffect;
  const touches = [{ touching: 1 }, {}, { touching: 0 }, { touching: 1 }];

  it('each time acts on the rising edge only', () => {
    expect(play([rule('t', touched, [life], 'eachTime')], touches).due).toEqual([[0], [], [], [0]]);
  });

  it('once acts once', () => {
    expect(play([rule('t', touched, [life], 'once')], touches).due).toEqual([[0], [], [], []]);
  });

  it('puts milestones in the order written and still sees the ending', () => {
    const { due, result } = play(
      [win(worthAtLeast(1)), rule('a', touched, [life]), rule('b', worthAtLeast(1), [life])],
      [{ worth: 1, touching: 1 }],
    );
    expect(due).toEqual([[1, 2]]);
    expect(result).toBe('won');
  });
});

describe('the clock', () => {
  it.each([
    ['lost', 'playing', 'lost'],
    ['won', 'playing', 'won'],
  ] as const)('running out as %s ends what is %s as %s', (expiry, _before, expected) => {
    const judge = makeJudge([win(worthAtLeast(9))], 'win');
    const verdicts = startVerdicts(judge);
    const seen = emptyObserved({ collectables: 1, enemies: 1, zones: 1 });
    judgeTick(judge, seen, verdicts);
    endTick(judge, seen, verdicts, expiry);
    expect(verdicts.ended && verdicts.ending).toEqual({ result: expected, rule: -1 });
  });

  it('gives way to a win in the same tick', () => {
    const judge = makeJudge([win(worthAtLeast(0))], 'win');
    const verdicts = startVerdicts(judge);
    const seen = emptyObserved({ collectables: 1, enemies: 1, zones: 1 });
    judgeTick(judge, seen, verdicts);
    endTick(judge, seen, verdicts, 'lost');
    expect(verdicts.ending).toEqual({ result: 'won', rule: 0 });
  });
});

describe('stars on a ladder', () => {
  it.each([
    [7.9, 1],
    [8, 2],
    [18.99, 2],
    [19, 3],
  ])('%d s left earns %d', (left, stars) => {
    expect(starsFor([null, 8, 19], left)).toBe(stars);
  });

  it('never gives more for less', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 60, noNaN: true }), { maxLength: 5 }),
        fc.nat(60),
        fc.nat(60),
        (thresholds, a, b) => {
          const [less, more] = [Math.min(a, b), Math.max(a, b)];
          expect(starsFor(thresholds, less)).toBeLessThanOrEqual(starsFor(thresholds, more));
        },
      ),
    );
  });
});
