import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { PLAIN } from '../context.ts';
import { arithmetic, conditionsIn, cyclesOf, faultOf, formulaError, log, parseFormula, power } from './index.ts';

describe('a formula without names', () => {
  // Worked out by hand.
  it.each([
    ['1 + 2 * 3', 7],
    ['(1 + 2) * 3', 9],
    ['2 ^ 3 ^ 2', 512],
    ['-2 ^ 2', -4],
    ['(-2) ^ 2', 4],
    ['2 ^ -1', 0.5],
    ['- -3', 3],
    ['7 / 2', 3.5],
    ['10 - 4 - 3', 3],
    ['7 % 4', 3],
    ['-1 % 4', 3],
    ['7.5 % 2', 1.5],
    ['0.3 % 0.1', 0],
    ['mod(9, 4)', 1],
    ['4 % 4 == 0', 1],
    ['0.1 + 0.2 == 0.3', 1],
    ['0.1 * 3 <= 0.3', 1],
    ['0.1 * 3 > 0.3', 0],
    ['3 != 3', 0],
    ['2 < 3', 1],
    ['1 + 2 > 2', 1],
    ['if(2 > 1, 10, 20)', 10],
    ['if(0, 10, 20)', 20],
    ['if(1, 5, 1 / 0)', 5],
    ['min(4, 2, 3)', 2],
    ['max(4)', 4],
    ['floor(0.3 / 0.1)', 3],
    ['floor(-1.5)', -2],
    ['ceil(1.2)', 2],
    ['ceil(0.1 * 3 * 10)', 3],
    ['round(-2.5)', -3],
    ['abs(-4)', 4],
    ['clamp(7, 1, 5)', 5],
    ['clamp(0, 1, 5)', 1],
    ['lerp(2, 4, 0.25)', 2.5],
    ['pow(2, 10)', 1024],
    ['sqrt(9)', 3],
  ])('%s is %d', (text, expected) => {
    expect(arithmetic(text)).toBeCloseTo(expected, 12);
  });

  it.each(['1 / 0', '0 / 0', 'sqrt(-1)', 'log(0)', '1 % 0', '(-8) ^ 0.5'])('%s is no finite number', (text) => {
    expect(Number.isFinite(arithmetic(text))).toBe(false);
  });

  it.each([
    ['min(1 / 0, 5)', '1 / 0', 'divides by zero'],
    ['if(1 / 0 > 5, 1, 2)', '1 / 0', 'divides by zero'],
    ['max(3, sqrt(2 - 6))', 'sqrt(2 - 6)', 'is the square root of a number below 0'],
    ['0 * log(0)', 'log(0)', 'is the logarithm of a number that is not above 0'],
    ['if(2 > 1, 7 % 0, 2)', '7 % 0', 'divides by zero'],
    ['10 ^ 999 - 10 ^ 999', '10 ^ 999', 'is too large'],
    ['(-8) ^ 0.5 == 1', '-8 ^ 0.5', 'comes to no number'],
  ])('%s has no number, and says which part', (text, part, why) => {
    expect(Number.isFinite(arithmetic(text))).toBe(false);
    const parsed = parseFormula(text);
    expect(parsed.ok && faultOf(parsed.root, 1, PLAIN)).toEqual({ part, why });
  });

  it.each([
    ['floor(100000000.4)', 100000000],
    ['123456789.5 == 123456789', 0],
    ['100000000.25 % 1', 0.25],
    ['floor(0.7 * 10)', 7],
  ])('forgives a few last places only: %s is %d', (text, expected) => {
    expect(arithmetic(text)).toBe(expected);
  });

  it('may be as long as it likes while it is flat', () => {
    expect(arithmetic(Array.from({ length: 200 }, () => '1').join(' + '))).toBe(200);
  });

  it('is a tree of plain data', () => {
    const parsed = parseFormula('if(level > 2, 1, -tier)');
    expect(parsed.ok && structuredClone(parsed.root)).toEqual({
      is: 'if',
      condition: {
        is: 'operation',
        operation: '>',
        left: { is: 'name', name: 'level' },
        right: { is: 'number', value: 2 },
      },
      then: { is: 'number', value: 1 },
      otherwise: { is: 'minus', of: { is: 'name', name: 'tier' } },
    });
  });

  it('the remainder counts the same way below 0 as above', () => {
    fc.assert(
      fc.property(fc.integer({ min: -1e6, max: 1e6 }), fc.integer({ min: 1, max: 1000 }), (a, b) => {
        const left = arithmetic(`mod(${a}, ${b})`);
        expect(left).toBeGreaterThanOrEqual(0);
        expect(left).toBeLessThan(b);
        expect((a - left) % b === 0).toBe(true);
      }),
    );
  });
});

describe('logarithm and power', () => {
  // Published values: NIST Digital Library of Mathematical Functions, § 4.2, and tables of natural logarithms to 15 digits.
  it.each([
    [1, 0],
    [2, 0.693147180559945],
    [10, 2.302585092994046],
    [0.5, -0.693147180559945],
    [1000, 6.907755278982137],
    [1e-6, -13.815510557964274],
  ])('ln %d is %d', (x, expected) => {
    expect(Math.abs(log(x) - expected)).toBeLessThan(1e-12 * Math.max(1, Math.abs(expected)));
  });

  it('are right to 1e-12 everywhere', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1e-3, max: 1e3, noNaN: true }),
        fc.double({ min: -6, max: 6, noNaN: true }),
        (x, y) => {
          expect(Math.abs(log(x) - Math.log(x))).toBeLessThan(1e-12);
          expect(Math.abs(power(x, y) / x ** y - 1)).toBeLessThan(1e-11);
        },
      ),
    );
  });
});

describe('what is wrong with a formula', () => {
  const keys = ['hornetSpeed', 'clock'];
  it.each([
    ['2 + hornetSped * 2', 5, 'There is no parameter called hornetSped; did you mean hornetSpeed?'],
    ['Level * 2', 1, 'There is no parameter called Level; did you mean level?'],
    ['level + hornet', 9, 'There is no parameter called hornet; did you mean hornetSpeed?'],
    ['clock + wind', 9, 'There is no parameter called wind.'],
    ['flor(level)', 1, 'There is no function called flor; did you mean floor?'],
    ['2 +', 3, '“+” needs something after it.'],
    ['(2 + 3', 1, 'This bracket is never closed.'],
    ['level = 4', 7, 'To compare, write ==.'],
    ['level 4', 7, 'An operator is missing before this.'],
    ['2,5', 3, 'A number takes a point: 2.5.'],
    ['1 < level < 5', 1, 'Two comparisons in a row: compare one by one, and multiply them to ask for both.'],
    ['clamp(level, 2)', 1, 'clamp(x, low, high) takes 3; 2 are given.'],
    ['if(level > 2)', 1, 'if(condition, then, otherwise) takes 3; 1 are given.'],
    ['min()', 1, 'min(a, b) takes one or more; none is given.'],
    ['level.x', 1, 'This cannot stand in a formula.'],
    ['level > 2 ? 1 : 0', 1, 'To choose, write if(condition, then, otherwise).'],
    ['"a"', 1, 'Only numbers and names stand in a formula.'],
    ['2 + (3 * (4 - 1)', 5, 'This bracket is never closed.'],
    ['clamp(level 1 5)', 13, 'A comma is missing before this.'],
    ['max(1 2 3)', 7, 'A comma is missing before this.'],
    ['if(level > 3 1 2)', 14, 'A comma is missing before this.'],
    ['min(4,, 3)', 7, 'Something is missing beside this comma.'],
    ['min(4, )', 6, 'Something is missing beside this comma.'],
    ['if(level = 3, 1, 2)', 10, 'To compare, write ==.'],
    ['level > 2 and level < 5', 11, 'To ask for both, multiply: (level > 2) * (level < 5).'],
    ['level > 2 && level < 5', 11, 'To ask for both, multiply: (level > 2) * (level < 5).'],
    ['level < 2 or level > 5', 11, 'To ask for one of two, take the greater: max(level < 2, level > 5).'],
    ['2 × level', 3, 'To multiply, write *.'],
    ['4 − level', 3, 'For minus, write -.'],
    ['Math.floor(level)', 1, 'Write floor(…) alone.'],
    ['sin(level)', 1, 'There is no function called sin: a shape through points waves.'],
    ['2level', 2, 'Between a number and a name there must be an operator.'],
    ['level + 2)', 10, '“)” cannot stand here.'],
    ['()', 1, 'There is nothing in these brackets.'],
    ['-', 1, 'A sign needs something after it.'],
    ['', 1, 'A formula says something.'],
    [`${'('.repeat(61)}1${')'.repeat(61)}`, 61, 'A formula is nested at most 60 deep.'],
  ])('%s: column %d', (text, column, message) => {
    expect(formulaError(text, keys)).toMatchObject({ column, message });
  });

  it('is nothing where all is well', () => {
    expect(formulaError('if(level % 4 == 0, hornetSpeed, clock / levels) + tier', keys)).toBeUndefined();
  });

  it('knows the reading only along one', () => {
    expect(formulaError('reading / 100', keys)?.message).toMatch('no parameter called reading');
    expect(formulaError('reading / 100', keys, 'score')).toBeUndefined();
  });

  it('never throws, whatever is typed', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 40 }), (text) => {
        const parsed = parseFormula(text);
        expect(typeof parsed.ok).toBe('boolean');
        if (!parsed.ok) expect(parsed.error.column).toBeGreaterThanOrEqual(1);
      }),
      { numRuns: 500 },
    );
  });
});

describe('conditions', () => {
  it('tell at which levels they hold', () => {
    const levels = Array.from({ length: 12 }, (_, index) => index + 1);
    expect(conditionsIn('if(level % 4 == 0, 1, if(level > 10, 2, 3))', levels, PLAIN)).toEqual([
      { words: 'level % 4 == 0', holdsAt: [4, 8, 12] },
      { words: 'level > 10', holdsAt: [11, 12] },
    ]);
  });
});

describe('cycles', () => {
  const formula = (key: string, text: string) => ({ key, ramp: { shape: { type: 'formula' as const, text } } });
  it.each([
    [[formula('a', 'b + 1'), formula('b', 'a * 2')], [['a', 'b']]],
    [[formula('a', 'a + 1')], [['a']]],
    [[formula('a', 'b + c'), formula('b', '2'), formula('c', 'b')], []],
    [[formula('a', 'b'), formula('b', 'c'), formula('c', 'b')], [['b', 'c']]],
    [[formula('level', 'level + 1')], []],
  ])('are found and named: %#', (parameters, expected) => {
    expect(cyclesOf(parameters)).toEqual(expected);
  });
});
