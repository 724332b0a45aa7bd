import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '../../exchange/demo/index.ts';
import { literal, type Project } from '../../document/model/index.ts';
import { isEndless, ledgerOf, positionAtTurn, type AttemptEntry, playthroughPlanOf } from './index.ts';

const SEED = 7;
const short = (change: (project: Project) => void = () => undefined): Project => {
  const project = homeBeforeDusk();
  project.slots = project.slots.slice(0, 4);
  project.tiers = project.tiers.slice(0, 1);
  project.run.afterLast = 'end';
  project.run.lifeEvery = null;
  change(project);
  return project;
};
const win = (stars = 2, more: Partial<AttemptEntry> = {}): AttemptEntry => ({
  result: 'won',
  stars,
  score: 100,
  collected: 5,
  livesLost: 0,
  tallies: {},
  ...more,
});
const lose = (livesLost: number, more: Partial<AttemptEntry> = {}): AttemptEntry => ({
  ...win(0, { result: 'lost', score: 10, collected: 1, livesLost }),
  ...more,
});

describe('the order of play', () => {
  const turns = (change: (project: Project) => void, count: number) => {
    const project = short(change);
    return Array.from({ length: count }, (_, turn) => positionAtTurn(project, turn + 1, SEED));
  };
  it.each<[string, (project: Project) => void, (number | undefined)[]]>([
    ['ends', () => undefined, [1, 2, 3, 4, undefined]],
    ['starts over', (p) => (p.run.afterLast = 'startOver'), [1, 2, 3, 4, 1, 2]],
    ['goes on past the last position', (p) => (p.run.afterLast = 'goOn'), [1, 2, 3, 4, 5, 6]],
    ['loops', (p) => (p.run.order = 'loop'), [1, 2, 3, 4, 1, 2]],
  ])('%s', (_case, change, expected) => {
    expect(turns(change, expected.length)).toEqual(expected);
  });

  it('shuffled is every position once a round, another way each round, the same for the same seed', () => {
    const project = homeBeforeDusk();
    project.run.order = 'inOrderThenShuffled';
    const round = (n: number) => project.slots.map((_, i) => positionAtTurn(project, n * 24 + i + 1, SEED)!);
    expect(round(0)).toEqual(project.slots.map((_, i) => i + 1));
    expect(round(1).toSorted((a, b) => a - b)).toEqual(round(0));
    expect(round(1)).not.toEqual(round(0));
    expect(round(2)).not.toEqual(round(1));
    expect(round(1)).toEqual(round(1));
  });

  it('of nothing is over at once', () => {
    expect(positionAtTurn({ run: homeBeforeDusk().run, slots: [] }, 1, SEED)).toBeUndefined();
    expect(isEndless(short().run)).toBe(false);
  });
});

describe('the keep/reset grid', () => {
  // Value of each tally after a win with 100 points and 5 pieces, then a loss of a life with 10 and 1.
  it.each<[string, (project: Project) => void, 'retry' | 'next', string, number]>([
    ['score is kept at the next level', () => undefined, 'next', 'score', 100],
    ['score is kept at a retry', () => undefined, 'retry', 'score', 110],
    ['score is reset at a retry', (p) => (p.run.keep['score']!.retry = { is: 'reset', to: null }), 'retry', 'score', 0],
    [
      'score is reset to a value',
      (p) => (p.run.keep['score']!.next = { is: 'reset', to: literal(25) }),
      'next',
      'score',
      25,
    ],
    ['collected is reset at the next level', () => undefined, 'next', 'collected', 0],
    ['collected is kept', (p) => (p.run.keep['collected']!.next = { is: 'keep' }), 'next', 'collected', 5],
    ['lives are kept at a retry', () => undefined, 'retry', 'lives', 3],
    [
      'lives come back at a retry',
      (p) => (p.run.keep['lives']!.retry = { is: 'reset', to: null }),
      'retry',
      'lives',
      4,
    ],
    ['an own tally is kept at the next level', () => undefined, 'next', 'stings', 2],
    ['an own tally is reset at a retry', () => undefined, 'retry', 'stings', 0],
    ['stars are kept', () => undefined, 'retry', 'stars', 2],
    ['stars are reset', (p) => (p.run.keep['stars']!.retry = { is: 'reset', to: null }), 'retry', 'stars', 0],
  ])('%s', (_case, change, event, tally, expected) => {
    const rows = ledgerOf(playthroughPlanOf(short(change)), [win(2, { tallies: { stings: 2 } }), lose(1)], SEED);
    const row = rows.find((entry) => entry.event === event)!;
    expect(row.kept[tally]).toBe(expected);
  });

  it('at a game over is looked up by itself', () => {
    const rows = ledgerOf(playthroughPlanOf(short()), [win(), lose(4)], SEED);
    expect(rows[1]!.event).toBe('gameOver');
    expect(rows[1]!.kept).toEqual({ score: 0, lives: 4, collected: 0, stars: 2, stings: 0 });
  });
});

describe('a run', () => {
  it.each([
    ['firstSlot', 1],
    ['tierFirstSlot', 8],
    ['sameSlot', 9],
  ] as const)('goes on after a game over from %s', (where, expected) => {
    const project = homeBeforeDusk();
    project.run.onGameOver = where;
    project.run.lifeEvery = null;
    const rows = ledgerOf(playthroughPlanOf(project), [...Array.from({ length: 8 }, () => win()), lose(4)], SEED);
    expect(rows.at(-1)!.after.position).toBe(expected);
  });

  it.each(['firstSlot', 'sameSlot'] as const)(
    'in a shuffled order goes on along that order after a game over: %s',
    (where) => {
      const project = short((p) => {
        p.run.order = 'shuffled';
        p.run.onGameOver = where;
        p.run.lifeEvery = null;
      });
      const order = [1, 2, 3, 4].map((turn) => positionAtTurn(project, turn, SEED));
      const rows = ledgerOf(playthroughPlanOf(project), [win(), lose(4), win(), win()], SEED);
      const again = where === 'firstSlot' ? [order[0], order[1]] : [order[1], order[2]];
      expect(rows.map(({ position }) => position)).toEqual([order[0], order[1], ...again]);
    },
  );

  it('gives a life at each multiple of its points, and never more than the limit', () => {
    const project = short((p) => {
      p.run.lifeEvery = literal(150);
      p.run.livesAtMost = literal(5);
    });
    const lives = ledgerOf(playthroughPlanOf(project), [win(), win(), win(), win()], SEED).map(
      (row) => row.kept['lives'],
    );
    // Points 100, 200, 300, 400: a life at 150 and one at 300, the second above the most.
    expect(lives).toEqual([4, 5, 5, 5]);
  });

  it('waits before a star gate', () => {
    const project = short((p) => (p.slots[2]!.starGate = literal(5)));
    const rows = ledgerOf(playthroughPlanOf(project), [win(2), win(2), win(3)], SEED);
    expect(rows.map((row) => row.after.position)).toEqual([2, 2, 3]);
    expect(rows[1]!.said.join()).toContain('slot 3 stays shut: it asks for 5 stars, there are 4');
  });

  it('opens by stars gathered per slot', () => {
    const project = short((p) => (p.run.unlock = { by: 'stars', perSlot: literal(2.5) }));
    // Slot 2 asks for 2.5 × 1 = 3 stars.
    expect(ledgerOf(playthroughPlanOf(project), [win(2)], SEED)[0]!.after.position).toBe(1);
    expect(ledgerOf(playthroughPlanOf(project), [win(3)], SEED)[0]!.after.position).toBe(2);
  });

  it('keeps the most stars of a slot, not the latest', () => {
    const project = short((p) => (p.levels['clover-steps']!.ending.won.next = { to: 'retry' }));
    const rows = ledgerOf(playthroughPlanOf(project), [win(3), win(1)], SEED);
    expect(rows[1]!.kept['stars']).toBe(3);
  });

  it.each<[string, (project: Project) => void, number, boolean]>([
    [
      'to a slot that is named',
      (p) => (p.levels['clover-steps']!.ending.won.next = { to: 'slot', slot: 'slot-4' }),
      4,
      false,
    ],
    ['to its end', (p) => (p.levels['clover-steps']!.ending.won.next = { to: 'endOfRun' }), 1, true],
    ['to the choice of a level', (p) => (p.levels['clover-steps']!.ending.won.next = { to: 'levelChoice' }), 1, false],
  ])('follows the ending %s', (_case, change, position, over) => {
    const [row] = ledgerOf(playthroughPlanOf(short(change)), [win()], SEED);
    expect([row!.after.position, row!.after.over]).toEqual([position, over]);
  });

  it('is over after the last slot, and no attempt is booked after that', () => {
    const rows = ledgerOf(playthroughPlanOf(short()), [win(), win(), win(), win(), win()], SEED);
    expect(rows).toHaveLength(4);
    expect(rows[3]!.event).toBe('end');
  });
});
