import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '../../exchange/demo/index.ts';
import {
  emptyObserved,
  endTick,
  judgeTick,
  makeJudge,
  READINGS,
  rulesOf,
  startVerdicts,
  type Expiry,
  type Observed,
  type ResolvedCondition,
  type ResolvedRule,
  type ResolvedStars,
} from './index.ts';

const reads = (id: string, reading: 'inside' | 'latch' | 'gate', subject: number): ResolvedCondition => ({
  id,
  is: 'onOff',
  reading,
  subject,
  on: true,
  heldTicks: 0,
});
const won = (when: ResolvedCondition): ResolvedRule => ({ id: 'won', when, then: [{ effect: 'win' }], fires: 'once' });

type Seen = Partial<{
  inside: number[];
  latches: number[];
  gates: number[];
  worth: number;
  score: number;
  lives: number;
}>;

/** Judges ticks that follow one another; what a tick does not name stays. */
function judged(
  rules: ResolvedRule[],
  ticks: Seen[],
  { stars, expiry = null, tie = 'win' }: { stars?: ResolvedStars; expiry?: Expiry | null; tie?: 'win' | 'loss' } = {},
) {
  const judge = makeJudge(rules, tie, stars ? { stars } : {});
  const verdicts = startVerdicts(judge);
  const seen = emptyObserved({ collectables: 1, zones: 3, latches: 1, gates: 1 });
  ticks.forEach((tick, index) => {
    if (verdicts.ended) return;
    Object.assign(seen, {
      inside: tick.inside ?? seen.inside,
      latches: tick.latches ?? seen.latches,
      gates: tick.gates ?? seen.gates,
      bonus: tick.score ?? seen.bonus,
      lives: tick.lives ?? seen.lives,
    } satisfies Partial<Observed>);
    if (tick.worth !== undefined) seen.worth[1] = tick.worth;
    judgeTick(judge, seen, verdicts);
    endTick(judge, seen, verdicts, index === ticks.length - 1 ? expiry : null);
  });
  return { verdicts, result: verdicts.ended ? verdicts.ending.result : 'playing' };
}

describe('one after the other', () => {
  const order = won({ id: 'o', is: 'inOrder', of: [0, 1, 2].map((zone) => reads(`z${zone}`, 'inside', zone)) });
  const at = (...zones: number[]): Seen => ({ inside: [0, 1, 2].map((zone) => (zones.includes(zone) ? 1 : 0)) });
  it.each([
    ['in the order asked', [at(0), at(), at(1), at(2)], 'won'],
    ['in the wrong order', [at(1), at(0), at(2), at()], 'playing'],
    ['all at one moment', [at(0, 1, 2)], 'playing'],
    ['all at once for three ticks', [at(0, 1, 2), at(0, 1, 2), at(0, 1, 2)], 'won'],
    ['with something between', [at(0), at(2), at(1), at(0), at(2)], 'won'],
    ['without the last', [at(0), at(1), at(1)], 'playing'],
  ])('%s: %s', (_case, ticks, expected) => {
    expect(judged([order], ticks).result).toBe(expected);
  });

  it('counts what is done', () => {
    expect(judged([order], [at(0), at(1)]).verdicts.numbers[0]).toBe(2);
  });
});

describe('at least k of', () => {
  const some = (count: number) =>
    won({ id: 'k', is: 'atLeast', count, of: [0, 1, 2].map((zone) => reads(`z${zone}`, 'inside', zone)) });
  it.each([
    [0, [0, 0, 0], 'won'],
    [2, [1, 0, 0], 'playing'],
    [2, [1, 0, 1], 'won'],
    [2, [1, 1, 1], 'won'],
    [4, [1, 1, 1], 'playing'],
  ])('%d of %j: %s', (count, inside, expected) => {
    expect(judged([some(count)], [{ inside }]).result).toBe(expected);
  });
});

describe('an exit that works only while the gate is open', () => {
  const exit = won({ id: 'a', is: 'all', of: [reads('gate', 'gate', 0), reads('in', 'inside', 0)] });
  it.each([
    ['closed, at the exit', [{ inside: [1, 0, 0] }], 'playing'],
    ['open, elsewhere', [{ gates: [1] }], 'playing'],
    ['open, at the exit', [{ gates: [1], inside: [1, 0, 0] }], 'won'],
    ['opened, closed again, then at the exit', [{ gates: [1] }, { gates: [0], inside: [1, 0, 0] }], 'playing'],
    ['at the exit when it opens', [{ inside: [1, 0, 0] }, { gates: [1] }], 'won'],
  ])('%s: %s', (_case, ticks, expected) => {
    expect(judged([exit], ticks).result).toBe(expected);
  });
});

describe('a clock that grades', () => {
  const ladder = (thresholds: (number | null)[]): ResolvedStars => ({
    is: 'ladder',
    reading: 'worth',
    subject: 1,
    atMost: false,
    thresholds,
  });
  it.each([
    ['nothing gathered', ladder([40, 70]), 0, 'lost', 0],
    ['just below the first star', ladder([40, 70]), 39, 'lost', 0],
    ['at the first star', ladder([40, 70]), 40, 'won', 1],
    ['at the second', ladder([40, 70]), 70, 'won', 2],
    ['a first star for everybody', ladder([null, 70]), 0, 'won', 1],
    ['no star to be had', ladder([]), 99, 'lost', 0],
  ])('%s', (_case, stars, worth, result, earned) => {
    const { verdicts } = judged([], [{ worth }], { stars, expiry: 'grade' });
    expect([verdicts.ending.result, verdicts.ending.rule, verdicts.stars]).toEqual([result, -1, earned]);
  });

  it('gives way to a rule that loses in the same tick where the loss stands', () => {
    const lost: ResolvedRule = { id: 'l', when: reads('in', 'inside', 0), then: [{ effect: 'lose' }], fires: 'once' };
    const ticks = [{ worth: 50, inside: [1, 0, 0] }];
    const stars = ladder([40]);
    expect(judged([lost], ticks, { stars, expiry: 'grade', tie: 'loss' }).result).toBe('lost');
    expect(judged([lost], ticks, { stars, expiry: 'grade', tie: 'win' }).result).toBe('won');
  });
});

describe('stars', () => {
  const win = won(reads('in', 'inside', 0));
  it('of a ladder downwards are earned by less', () => {
    const stars = (lives: number) =>
      judged([win], [{ inside: [1, 0, 0], lives }], {
        stars: { is: 'ladder', reading: 'lives', subject: 0, atMost: true, thresholds: [5, 3, 1] },
      }).verdicts.stars;
    expect([6, 5, 4, 3, 1, 0].map(stars)).toEqual([0, 1, 1, 2, 3, 3]);
  });

  it('each by its own condition count one by one, in whatever order', () => {
    const stars: ResolvedStars = {
      is: 'conditions',
      conditions: [null, reads('latch', 'latch', 0), reads('gate', 'gate', 0)],
    };
    const earned = (latch: number, gate: number) =>
      judged([win], [{ inside: [1, 0, 0], latches: [latch], gates: [gate] }], { stars }).verdicts.stars;
    expect([earned(0, 0), earned(1, 0), earned(0, 1), earned(1, 1)]).toEqual([1, 2, 2, 3]);
  });
});

describe('a composed score', () => {
  it('adds its weighted readings and what milestones gave, and no endless time', () => {
    const seen = emptyObserved({ collectables: 1 });
    seen.worth[1] = 30;
    seen.limitTicks = 600;
    seen.clockTicks = 300;
    seen.bonus = 7;
    seen.scoreTerms = [
      { reading: READINGS.worth, subject: 1, times: 1 },
      { reading: READINGS.timeLeft, subject: 0, times: 2 },
    ];
    expect(READINGS.score.read(seen, 0)).toBe(30 + 2 * 5 + 7);
    seen.limitTicks = -1;
    expect(READINGS.score.read(seen, 0)).toBe(37);
    READINGS.score.write(seen, 0, 50);
    expect(READINGS.score.read(seen, 0)).toBe(50);
  });
});

describe('the rules in force', () => {
  const ids = (change: (project: ReturnType<typeof homeBeforeDusk>) => void): string[] => {
    const project = homeBeforeDusk();
    change(project);
    return rulesOf(project, project.levels['clover-steps']!).map(({ rule, standing }) =>
      standing ? `${rule.id} (standing)` : rule.id,
    );
  };
  it('are the standing ones, then the own', () => {
    expect(ids(() => undefined)).toEqual([
      'out-of-lives (standing)',
      'hornet-touch (standing)',
      'wasp-touch (standing)',
      'worn-out (standing)',
      'won',
    ]);
  });

  it('less those switched off, with those replaced in their place', () => {
    const found = ids((project) => {
      const level = project.levels['clover-steps']!;
      level.standingRulesOff = ['wasp-touch'];
      level.rules.push({ ...project.standing[1]!, id: 'softer', replaces: 'hornet-touch' });
    });
    expect(found).toEqual(['out-of-lives (standing)', 'softer', 'worn-out (standing)', 'won']);
  });

  it('are none that are off', () => {
    const found = ids((project) => {
      project.standing[0]!.off = true;
      project.levels['clover-steps']!.rules[0]!.off = true;
    });
    expect(found).not.toContain('won');
    expect(found).not.toContain('out-of-lives (standing)');
  });
});
