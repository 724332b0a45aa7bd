import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { literal, type Comparison, type Condition, type Level, type Piece } from '../../document/model/index.ts';
import { compare } from '../../play/rules/index.ts';
import { atLeast, clover, depth, garden, is, rule, type Garden } from '../../testing/index.ts';
import { findingsAt, type FindingCode } from './index.ts';
import { complement, intersection, isWithin, union, type NumberSet } from './intervals.ts';
import { isPossible, keyOfReading, needsOf } from './normalForm.ts';

const codes = (made: Garden): FindingCode[] => findingsAt(garden({ ...made, alone: true }), 1).map(({ code }) => code);
const exit: Piece = { id: 'exit', piece: 'goal', name: 'Exit', at: { x: 15, y: 4 }, width: 2, height: 3 };
const won = (when: Condition) => rule('won', when, [{ effect: 'win' }]);
const WORTH = { reading: 'worth', of: 'any' } as const;
const compared = (id: string, comparison: Comparison, value: number): Condition => ({
  ...{ id, is: 'compare', reading: WORTH, comparison, amount: literal(value) },
});
const group = (id: string, kind: 'all' | 'any' | 'none' | 'inOrder', ...of: Condition[]): Condition => ({
  ...{ id, is: kind, of },
});
const inExit = { reading: 'inside', zone: 'exit' } as const;
const asNumber = (comparison: Comparison, value: number): Condition => ({
  ...{ id: 'in', is: 'compare', reading: inExit, comparison, amount: literal(value) },
});
const walled = Array.from({ length: 12 }, (_, y) =>
  y === 0 || y === 11 ? '####################' : '#.........#........#',
);

describe('a goal behind a wall', () => {
  it.each<[string, Condition]>([
    ['as a switch', is('in', inExit)],
    ['as at least 1', asNumber('atLeast', 1)],
    ['as more than 0', asNumber('moreThan', 0)],
    ['as exactly 1', asNumber('exactly', 1)],
    ['as not 0', asNumber('not', 0)],
    ['in a group of one', group('g', 'any', asNumber('atLeast', 1))],
    ['in an inner group', group('g', 'all', group('h', 'all', asNumber('moreThan', 0.5)))],
  ])('is found out of reach where it is asked for %s', (_form, when) => {
    expect(codes({ rows: walled, pieces: [exit], rules: [won(when)] })).toContain('goal-unreachable');
  });

  it('is not found where leaving it is what is asked for', () => {
    expect(codes({ rows: walled, pieces: [exit], rules: [won(asNumber('atMost', 0))] })).not.toContain(
      'goal-unreachable',
    );
  });
});

describe('conditions that exclude each other', () => {
  it.each<[string, Condition]>([
    ['exactly and not the same', group('g', 'all', compared('a', 'exactly', 4), compared('b', 'not', 4))],
    [
      'one of them in an inner group',
      group('g', 'all', compared('a', 'exactly', 4), group('h', 'all', compared('b', 'atLeast', 5))),
    ],
    [
      'one of them denied',
      group('g', 'all', compared('a', 'atLeast', 4), group('h', 'none', compared('b', 'moreThan', 3))),
    ],
    [
      'every one of two alternatives',
      group(
        'g',
        'all',
        compared('a', 'atMost', 4),
        group('h', 'any', compared('b', 'exactly', 5), compared('c', 'moreThan', 7)),
      ),
    ],
    [
      'three of which no two do',
      group('g', 'all', compared('a', 'atLeast', 4), compared('b', 'atMost', 4), compared('c', 'not', 4)),
    ],
    ['a switch on and as a number', group('g', 'all', is('a', inExit), { ...asNumber('lessThan', 1), id: 'b' })],
  ])('are found: %s', (_form, when) => {
    expect(codes({ pieces: [exit, clover('c1', 5), clover('c2', 6)], rules: [won(when)] })).toContain('contradiction');
  });

  it.each<[string, Condition]>([
    [
      'one alternative is left',
      group(
        'g',
        'all',
        compared('a', 'atMost', 4),
        group('h', 'any', compared('b', 'exactly', 5), compared('c', 'exactly', 4)),
      ),
    ],
    ['they hold one after the other', group('g', 'inOrder', compared('a', 'exactly', 4), compared('b', 'exactly', 8))],
    ['the end belongs to both', group('g', 'all', compared('a', 'atLeast', 4), compared('b', 'atMost', 4))],
  ])('are not found where %s', (_form, when) => {
    expect(codes({ pieces: [exit, clover('c1', 5), clover('c2', 6)], rules: [won(when)] })).not.toContain(
      'contradiction',
    );
  });
});

describe('a condition that adds nothing', () => {
  it.each<[string, Condition]>([
    ['at least 2 beside exactly 4', group('g', 'all', compared('a', 'exactly', 4), compared('b', 'atLeast', 2))],
    ['not 8 beside at most 4', group('g', 'all', compared('a', 'atMost', 4), compared('b', 'not', 8))],
    [
      'exactly 4 beside at least 2, either of them',
      group('g', 'any', compared('a', 'exactly', 4), compared('b', 'atLeast', 2)),
    ],
    ['an inner group', group('g', 'all', compared('a', 'exactly', 4), group('h', 'any', compared('b', 'atLeast', 2)))],
    ['the same switch as a number', group('g', 'all', is('a', inExit), { ...asNumber('atLeast', 1), id: 'b' })],
    [
      'the same parameter, once with a factor of 1',
      group(
        'g',
        'all',
        { ...compared('a', 'atLeast', 0), amount: { from: 'parameter', parameter: 'nectarNeeded' } } as Condition,
        {
          ...compared('b', 'atLeast', 0),
          amount: { from: 'parameter', parameter: 'nectarNeeded', times: 1, plus: 0 },
        } as Condition,
      ),
    ],
  ])('is found: %s', (_form, when) => {
    expect(codes({ pieces: [exit, clover('c1', 5), clover('c2', 6)], rules: [won(when)] })).toContain(
      'implied-condition',
    );
  });

  it('is not found where either could hold without the other', () => {
    const when = group('g', 'all', compared('a', 'atLeast', 4), compared('b', 'not', 8));
    expect(codes({ pieces: [exit, clover('c1', 5), clover('c2', 6)], rules: [won(when)] })).not.toContain(
      'implied-condition',
    );
  });
});

describe('a clock that waits', () => {
  const waits = (startsWhen: Condition): Garden => ({
    pieces: [exit],
    rules: [won(is('in', inExit))],
    change: (_project, level: Level) => {
      level.clock = { ...level.clock, limitSeconds: literal(40), starts: 'condition', startsWhen };
    },
  });
  it.each<[string, Condition]>([
    ['its own time', atLeast('t', { reading: 'timeElapsed' }, 1)],
    ['its own time to run down', { ...atLeast('t', { reading: 'timeLeft' }, 30), comparison: 'atMost' } as Condition],
    ['its own time in a group', group('g', 'all', is('in', inExit), atLeast('t', { reading: 'timeElapsed' }, 0.5))],
  ])('for %s never starts', (_form, when) => {
    expect(codes(waits(when))).toContain('clock-never-starts');
  });

  it('for a goal starts', () => {
    expect(codes(waits(is('in', inExit)))).not.toContain('clock-never-starts');
  });
});

describe('a place above every jump', () => {
  const rows = Array.from({ length: 16 }, (_, y) => (y === 15 ? '####################' : '#..................#'));
  const high: Piece = { id: 'exit', piece: 'goal', name: 'Exit', at: { x: 12, y: 2 }, width: 2, height: 2 };
  const leaps = (goal: Piece): Garden => ({
    rows,
    pieces: [goal],
    rules: [won(is('in', inExit))],
    change: (_project, level: Level) => {
      level.ground.kind = 'leap';
      level.ground.pieces = level.ground.pieces.map((piece) =>
        piece.piece === 'start' ? { ...piece, at: { x: 2.5, y: 14.5 } } : piece,
      );
    },
  });
  it('is found out of reach', () => {
    expect(codes(leaps(high))).toContain('goal-unreachable');
  });
  it('is not found where a jump leads there', () => {
    expect(codes(leaps({ ...high, at: { x: 12, y: 12 } }))).not.toContain('goal-unreachable');
  });
});

describe('the normal form of conditions', () => {
  const comparisons: Comparison[] = ['atLeast', 'moreThan', 'atMost', 'lessThan', 'exactly', 'not'];
  const leaf = fc
    .tuple(fc.constantFrom(...comparisons), fc.integer({ min: 0, max: 6 }))
    .map(([comparison, value]) => compared('leaf', comparison, value));
  const { condition } = fc.letrec<{ condition: Condition }>((tie) => ({
    condition: fc.oneof(
      { maxDepth: 3 },
      leaf,
      fc
        .tuple(
          fc.constantFrom('all' as const, 'any' as const, 'none' as const, 'atLeast' as const),
          fc.array(tie('condition'), { minLength: 1, maxLength: 3 }),
          fc.integer({ min: 0, max: 3 }),
        )
        .map(([kind, of, count]): Condition => ({
          ...{ id: 'group', is: kind, of },
          ...(kind === 'atLeast' ? { count: literal(count) } : {}),
        })),
    ),
  }));
  const holds = (one: Condition, worth: number): boolean => {
    if (one.is === 'compare') return one.amount.from === 'number' && compare(one.comparison, worth, one.amount.value);
    if (!('of' in one)) return false;
    const count = one.of.filter((part) => holds(part, worth)).length;
    if (one.is === 'all') return count === one.of.length;
    if (one.is === 'any') return count > 0;
    if (one.is === 'none') return count === 0;
    return count >= (one.count?.from === 'number' ? one.count.value : 1);
  };
  const number = (amount: { from: string; value?: number }): number | undefined => amount.value;
  const HALVES = Array.from({ length: 17 }, (_, index) => index / 2 - 1);
  const has = (set: NumberSet, value: number): boolean =>
    isWithin([{ low: value, high: value, withLow: true, withHigh: true }], set);

  it('never leaves out a value with which a condition holds', () => {
    fc.assert(
      fc.property(condition, (one) => {
        const needs = needsOf(one, number);
        const set = needs.get(keyOfReading(WORTH));
        for (const worth of HALVES)
          if (holds(one, worth)) {
            expect(isPossible(needs)).toBe(true);
            if (set) expect(has(set, worth)).toBe(true);
          }
      }),
      { numRuns: depth(2000, 200) },
    );
  });

  it('joins sets of numbers as their members say', () => {
    const sets = fc
      .array(fc.tuple(fc.constantFrom(...comparisons), fc.integer({ min: 0, max: 6 })), { maxLength: 4 })
      .map((each) =>
        each.reduce<NumberSet>(
          (sum, [comparison, value]) =>
            union(sum, needsOf(compared('x', comparison, value), number).get(keyOfReading(WORTH))!),
          [],
        ),
      );
    fc.assert(
      fc.property(sets, sets, (one, other) => {
        for (const value of HALVES) {
          expect(has(union(one, other), value)).toBe(has(one, value) || has(other, value));
          expect(has(intersection(one, other), value)).toBe(has(one, value) && has(other, value));
          expect(has(complement(one), value)).toBe(!has(one, value));
        }
      }),
      { numRuns: depth(1000, 100) },
    );
  });
});
