import { describe, expect, it } from '@jest/globals';
import { actionFormulaError, formulaError } from '../../document/ramps/index.ts';
import { depth, groupOf, hiveBout, hiveBouts } from '../../testing/index.ts';
import {
  boutMind,
  boutTrials,
  choosing,
  goOn,
  harmTable,
  levelWinning,
  makeBoutWorld,
  oddsOf,
  playBout,
  playedByHand,
  prepareBout,
  startBout,
  stands,
  usable,
  withdraw,
  type BoutState,
  type Choice,
  type PreparedBout,
  type Turn,
} from './index.ts';

const PERFECT = () => ({ planning: 1 });

function played(bout: PreparedBout, seed = 1, planning = 1): { state: BoutState; turns: Turn[] } {
  const state = startBout(makeBoutWorld(bout), seed);
  const choose = choosing(boutMind({ planning }, seed));
  const turns: Turn[] = [];
  while (state.phase === 'playing') goOn(state, choose, (turn) => turns.push(turn));
  return { state, turns };
}

/** One against one: health, harm and chance to hit of ours and of theirs; ours is the swifter. */
function duel(ours: [health: number, harm: number, chance: number], theirs: [number, number, number]): PreparedBout {
  const bouts = hiveBouts();
  const [bee, ant] = [bouts.fighters[0]!, bouts.fighters[2]!];
  [ours, theirs].forEach(([, harm, chance], side) => {
    Object.assign(bouts.actions[side]!, { formula: String(harm), chance, spread: 0 });
  });
  Object.assign(bee, { uses: { sting: { weight: 1 } } });
  Object.assign(ant, { uses: { bite: { weight: 1 } } });
  bee.statistics['health'] = { from: 'number', value: ours[0] };
  ant.statistics['health'] = { from: 'number', value: theirs[0] };
  return hiveBout(groupOf({ ant: 1 }), { bouts, party: ['bee'] });
}

describe('things worn', () => {
  it('add to statistics, and can be taken off', () => {
    const bouts = hiveBouts();
    bouts.fighters[0]!.worn = [{ name: 'Wax shield', plus: { guard: 6 } }];
    const guardOf = (without: string[]): number | undefined =>
      prepareBout(bouts, {
        ...{ party: [{ fighter: 'bee', level: 1, without }], group: bouts.groups[0]!, mayWithdraw: false },
        ...{ values: {}, position: 1, positions: 1 },
      }).ours[0]?.statistics[2];
    expect([guardOf([]), guardOf(['Wax shield'])]).toEqual([15, 9]);
  });
});

describe('the table of harm', () => {
  const table = harmTable(makeBoutWorld(hiveBout('captain')));
  const of = (actor: number, action: number, target: number) =>
    table.find((each) => each.actor === actor && each.action === action && each.target === target);

  it('is what one adds up by hand', () => {
    // The bee (strength 14) on an ant (guard 6): 14 − 6 / 3 = 12, a fifth more or less, thrice for 30 of health.
    expect(of(0, 0, 3)).toMatchObject({ least: 10, mean: 12, most: 14, hits: 3, one: 'never', cannotHurt: false });
    // Venom: (28 − 6 / 3) × 200 % = 52 at once.
    expect(of(0, 2, 3)).toMatchObject({ least: 52, mean: 52, most: 52, hits: 1, one: 'always' });
    // On the captain (guard 12): (28 − 4) × 60 % = 14.4, as people read it 14; 120 / 14 is 9 hits.
    expect(of(0, 2, 2)).toMatchObject({ mean: 14, hits: 9 });
    // An ant (strength 12) on the guard (guard 15): 12 − 7.5 = 4.5: 5, and between 4.05 and 4.95.
    expect(of(3, 1, 1)).toMatchObject({ least: 4, mean: 5, most: 5, hits: 18 });
  });

  it('marks what cannot hurt and what is enough at its best', () => {
    const bouts = hiveBouts();
    bouts.fighters[1]!.statistics['guard'] = { from: 'number', value: 40 };
    bouts.fighters[0]!.statistics['health'] = { from: 'number', value: 10 };
    const harms = harmTable(makeBoutWorld(hiveBout('two-ants', { bouts })));
    expect(harms.find(({ actor, target }) => actor === 2 && target === 1)).toMatchObject({
      cannotHurt: true,
      hits: Number.POSITIVE_INFINITY,
    });
    // 12 − 9 / 2 = 7.5: between 6.75 and 8.25 of 10.
    expect(harms.find(({ actor, target }) => actor === 2 && target === 0)!.one).toBe('never');
    bouts.fighters[0]!.statistics['health'] = { from: 'number', value: 8 };
    const weaker = harmTable(makeBoutWorld(hiveBout('two-ants', { bouts })));
    expect(weaker.find(({ actor, target }) => actor === 2 && target === 0)!.one).toBe('at best');
  });
});

describe('a bout', () => {
  it.each([
    [100, 12, 9],
    [96, 12, 8],
    [1, 12, 1],
  ])('of %i health against %i a round takes %i rounds', (health, harm, rounds) => {
    const { state } = played(duel([1000, harm, 1], [health, 1, 1]));
    expect([state.phase, state.round]).toEqual(['won', rounds]);
  });

  it('is won as often as the exact answer says, one against one with a chance to hit', () => {
    for (const [a, p, b, q] of [
      [4, 0.7, 3, 0.6],
      [6, 0.5, 5, 0.5],
      [2, 0.3, 2, 0.35],
    ] as const) {
      const trials = boutTrials(duel([b * 10, 10, p], [a * 10, 10, q]), PERFECT);
      trials.play(depth(6000, 1500));
      const { low, high } = trials.read().won.interval;
      const exact = chanceToWin(a, p, b, q);
      expect(exact).toBeGreaterThan(low - 0.004);
      expect(exact).toBeLessThan(high + 0.004);
    }
  });

  it('is the same for the same seed, and another for another', () => {
    const bout = hiveBout('captain');
    const [one, again] = [played(bout, 5, 0.4), played(bout, 5, 0.4)];
    expect(again.turns).toEqual(one.turns);
    expect(played(bout, 6, 0.4).turns).not.toEqual(one.turns);
  });

  it('lets the swiftest act first, and by gauges twice as often who is twice as swift', () => {
    const { turns } = played(hiveBout('captain'));
    // Captain 9, bee 8, ants 6, guard 4.
    expect(
      turns
        .slice(0, 3)
        .map(({ actor }) => actor)
        .slice(0, 2),
    ).toEqual([2, 0]);
    const gauged = { ...duel([100_000, 1, 1], [500, 0, 1]), order: 'gauges' as const };
    gauged.ours[0]!.statistics[4] = 8;
    gauged.theirs[0]!.statistics[4] = 4;
    const acts = played({ ...gauged, mostRounds: 100 }).turns;
    const mine = acts.filter(({ actor }) => actor === 0).length;
    expect(mine / (acts.length - mine)).toBeCloseTo(2, 0);
  });

  it('spends what actions cost, and heals nobody beyond what is full', () => {
    const { state, turns } = played(hiveBout('captain'), 3);
    for (const fighter of [0, 1]) {
      const now = state.now[fighter]!;
      const { statistics } = state.world.fighters[fighter]!;
      expect(now[3]).toBe(statistics[3]! - state.spent[fighter]![3]!);
      expect(now[3]).toBeGreaterThanOrEqual(0);
    }
    for (const { struck } of turns)
      for (const { target, left } of struck)
        expect(left).toBeLessThanOrEqual(state.world.fighters[target]!.statistics[0]!);
  });

  it('says why each number came out', () => {
    const { turns } = played(hiveBout('two-ants'), 2);
    const hits = turns.flatMap(({ struck }) => struck).filter(({ hits: hit, share }) => hit && share > 0);
    expect(hits.length).toBeGreaterThan(0);
    for (const { strength, spread, share, amount } of hits)
      expect(Math.abs(amount - strength * spread * share)).toBeLessThanOrEqual(0.5 + 1e-9);
  });

  it('can be left where that is allowed, and stays as it ended', () => {
    const state = startBout(makeBoutWorld(hiveBout('captain')), 1);
    withdraw(state);
    expect(state.phase).toBe('withdrawn');
    goOn(state, choosing(boutMind({ planning: 1 }, 1)));
    expect([state.phase, state.round]).toEqual(['withdrawn', 0]);
    const held = startBout(makeBoutWorld({ ...hiveBout('captain'), mayWithdraw: false }), 1);
    withdraw(held);
    expect(held.phase).toBe('playing');
  });
});

describe('what can be chosen', () => {
  it('goes by health, turns and costs; the odds add up to all', () => {
    const bout = hiveBout('captain');
    const state = startBout(makeBoutWorld(bout), 1);
    const captain = 2;
    expect(usable(state, captain)).toEqual([0]);
    state.turns[captain] = 2;
    state.now[captain]![0] = 50;
    expect(usable(state, captain)).toEqual([0, 1, 2]);
    const odds = oddsOf(state, captain, usable(state, captain));
    expect(odds).toEqual([0.6, 0.2, 0.2]);
    state.now[captain]![3] = 3;
    expect(oddsOf(state, captain, usable(state, captain))).toEqual([0.75, 0, 0.25]);
  });
});

describe('a bout by hand', () => {
  const first = (bout: PreparedBout, count: number) => {
    const world = makeBoutWorld(bout);
    const given: Choice[] = [];
    for (let i = 0; i < count; i++) {
      const { asks } = playedByHand(world, 4, given);
      if (!asks) break;
      given.push(asks.options[0]!);
    }
    return playedByHand(world, 4, given);
  };

  it('asks everybody of ours who stands, then lets the round be', () => {
    expect(first(hiveBout('captain'), 0)).toMatchObject({ turns: [], asks: { fighter: 0 } });
    expect(first(hiveBout('captain'), 1)).toMatchObject({ turns: [], asks: { fighter: 1 } });
    const round = first(hiveBout('captain'), 2);
    expect(round.state.round).toBe(1);
    expect(round.turns.length).toBeGreaterThan(3);
    expect(first(hiveBout('captain'), 2).turns).toEqual(round.turns);
  });

  it('by gauges asks who is next, and goes on to its end', () => {
    const gauged: PreparedBout = { ...hiveBout('two-ants'), order: 'gauges' };
    const begun = first(gauged, 1);
    expect(begun.turns[0]!.actor).toBe(0);
    const { state, asks } = first(gauged, 500);
    expect(asks).toBeNull();
    expect(['won', 'lost']).toContain(state.phase);
  });
});

describe('those who play', () => {
  it('win more the better they are', () => {
    const bouts = hiveBouts();
    const rates = [0, 0.4, 0.8, 1].map((planning) => {
      const trials = boutTrials(hiveBout('captain', { bouts }), () => ({ planning }));
      trials.play(depth(2000, 1000));
      return trials.read().won.share;
    });
    expect(rates).toEqual(rates.toSorted((a, b) => a - b));
    expect(rates[3]! - rates[0]!).toBeGreaterThan(0.1);
  });

  it('win from some level of the party on', () => {
    const bouts = hiveBouts();
    for (const fighter of bouts.fighters.slice(0, 2))
      fighter.statistics['strength'] = {
        from: 'growth',
        shape: {
          type: 'points',
          between: 'straight',
          points: [
            { position: 1, value: 5 },
            { position: 99, value: 103 },
          ],
        },
      };
    const at = (level: number) => hiveBout('captain', { bouts, level });
    const [half, most] = [0.5, 0.95].map((share) => levelWinning(at, PERFECT, share, 40)!) as [number, number];
    expect(half).toBeGreaterThan(1);
    expect(most).toBeGreaterThanOrEqual(half);
    expect(most).toBeLessThan(40);
    bouts.fighters[4]!.statistics['guard'] = { from: 'number', value: 1e6 };
    for (const action of bouts.actions) action.formula = 'mine(strength) - theirs(guard)';
    expect(levelWinning(at, PERFECT, 0.5, 40)).toBeNull();
  });
});

describe('looking two turns ahead', () => {
  it.each([
    ['one against many', hiveBout(groupOf({ ant: 4 }), { party: ['bee'] })],
    ['two against one that is strong', hiveBout('captain')],
  ])('wins no less than looking at the harm of one turn: %s', (_case, bout) => {
    const rate = (planning: number): number => {
      const trials = boutTrials(bout, () => ({ planning }));
      trials.play(500);
      return trials.read().won.share;
    };
    // From 60 % of planning on, two turns are thought ahead; two deviations of the difference are 6 points.
    expect(rate(0.6)).toBeGreaterThan(rate(0.599) - 0.06);
    expect(rate(1)).toBeGreaterThan(rate(0.599) - 0.03);
  });
});

describe('documents that make no sense', () => {
  const edge = (change: (bouts: ReturnType<typeof hiveBouts>) => void, group = groupOf({ ant: 2 })) => {
    const bouts = hiveBouts();
    change(bouts);
    return played(hiveBout(group, { bouts }));
  };

  it.each<[string, Parameters<typeof edge>[0], BoutState['phase']]>([
    [
      'enemies without health have fallen already',
      ({ fighters }) => void (fighters[2]!.statistics['health'] = { from: 'number', value: 0 }),
      'won',
    ],
    [
      'weights that add up to nothing: nothing is done',
      ({ fighters }) => void (fighters[2]!.uses = { bite: { weight: 0 } }),
      'won',
    ],
    [
      'a party without anything to do never ends it',
      ({ fighters, actions }) => {
        fighters.forEach((each) => void (each.uses = {}));
        actions.length = 0;
      },
      'endless',
    ],
    [
      'healing without end',
      ({ fighters, actions }) => {
        actions[0]!.formula = '1';
        actions.push({ ...actions[4]!, id: 'mend', formula: '1e9', strikes: 'allies', costs: {} });
        fighters[2]!.uses = { mend: { weight: 1 } };
        fighters[0]!.uses = { sting: { weight: 1 } };
        fighters[1]!.uses = { sting: { weight: 1 } };
      },
      'endless',
    ],
    [
      'a formula that cannot be read does nothing',
      ({ actions }) => actions.forEach((each) => void (each.formula = 'mine(')),
      'endless',
    ],
    [
      'a formula that divides by nothing does nothing',
      ({ actions }) => actions.forEach((each) => void (each.formula = 'mine(strength) / 0')),
      'endless',
    ],
    [
      'a likeness that goes round in a circle',
      ({ fighters }) =>
        void Object.assign(fighters[2]!, { statistics: {}, like: { fighter: 'soldier-ant', changes: {} } }),
      'won',
    ],
  ])('%s', (_case, change, phase) => {
    const { state } = edge(change);
    expect(state.phase).toBe(phase);
    expect(state.now.flat().every(Number.isFinite)).toBe(true);
  });

  it('end a bout that goes on for 200 rounds, and count it', () => {
    const trials = boutTrials(duel([100, 0, 1], [100, 0, 1]), PERFECT);
    trials.play(3);
    expect(trials.read()).toMatchObject({ bouts: 3, rounds: null, healthLeft: null });
    expect(trials.read().ends.endless).toBe(3);
    expect(playBout(makeBoutWorld(duel([100, 0, 1], [100, 0, 1])), PERFECT, 1).round).toBe(200);
  });

  it('never let more than eight stand against us', () => {
    expect(hiveBout(groupOf({ ant: 500 })).theirs).toHaveLength(8);
    const state = startBout(makeBoutWorld(hiveBout(groupOf({ nobody: 3 }))), 1);
    expect(state.phase).toBe('won');
    expect(stands(state, 0)).toBe(true);
  });
});

describe('formulas of actions', () => {
  it('read statistics by whose they are, and say what is not there', () => {
    const keys = ['strength', 'guard'];
    expect(actionFormulaError('max(1, mine(strength) - theirs(guard) / level)', keys, [])).toBeUndefined();
    expect(actionFormulaError('mine(strenght)', keys, [])).toMatchObject({
      column: 6,
      message: 'There is no statistic called strenght; did you mean strength?',
    });
    expect(actionFormulaError('mine(strength) * rage', keys, ['range'])!.message).toMatch(/no parameter called rage/);
    expect(actionFormulaError('mine(2)', keys, [])!.message).toBe('mine(…) takes the name of a statistic.');
    expect(actionFormulaError('theirs(guard, guard)', keys, [])!.message).toMatch(/takes one name/);
    expect(actionFormulaError('theirs(guard', keys, [])!.message).toMatch(/never closed/);
    expect(formulaError('mine(strength)', ['strength'])!.message).toMatch(/formulas of actions only/);
  });
});

/** Ours needs `a` hits at chance p and strikes first, theirs `b` at q: both go on by hits in rounds until one has them all. */
function chanceToWin(a: number, p: number, b: number, q: number): number {
  const known = new Map<string, number>();
  const at = (mine: number, their: number): number => {
    if (mine === 0) return 1;
    if (their === 0) return 0;
    const key = `${mine},${their}`;
    let value = known.get(key);
    if (value === undefined) {
      const after = (m: number): number =>
        m === 0 ? 1 : q * at(m, their - 1) + (1 - q) * (m === mine ? 0 : at(m, their));
      // A round in which neither hits changes nothing.
      value = (p * after(mine - 1) + (1 - p) * q * at(mine, their - 1)) / (1 - (1 - p) * (1 - q));
      known.set(key, value);
    }
    return value;
  };
  return at(a, b);
}
