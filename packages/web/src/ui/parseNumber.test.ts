import { describe, expect, it } from '@jest/globals';
import { formatNumber, formatPercent } from './format.ts';
import { parseNumber } from './parseNumber.ts';

describe('a number field', () => {
  it.each([
    ['12', 12],
    [' 2.5 ', 2.5],
    ['2,5', 2.5],
    ['−3', -3],
    ['48*1.25', 60],
    ['(1 + 2) * 3', 9],
    ['40 s', 40],
    ['75 %', 75],
    ['0.1+0.2', 0.3],
  ])('reads %j as %d', (text, value) => {
    expect(parseNumber(text)).toMatchObject({ ok: true, value });
  });

  it.each([
    ['1/8', 12.5],
    ['1 in 8', 12.5],
    ['3 / 4', 75],
    ['100/3', 33.3333333333],
    ['12.5', 12.5],
    ['40 %', 40],
  ])('in percent reads %j as %d percent', (text, value) => {
    const parsed = parseNumber(text, {}, true);
    expect(parsed.ok && parsed.value).toBeCloseTo(value, 6);
  });

  it('knows a percentage from a number, and refuses a chance where a number is expected', () => {
    expect(parseNumber('40 %')).toMatchObject({ value: 40, percent: true });
    expect(parseNumber('40')).toMatchObject({ value: 40, percent: false });
    expect(parseNumber('1 in 8')).toMatchObject({ ok: false });
    expect(parseNumber('1/8')).toMatchObject({ ok: true, value: 0.125 });
  });

  it.each([
    ['', 'expected'],
    ['abc', 'not a number'],
    ['4 apples', 'not a number'],
    ['1/0', 'divides by zero'],
    ['alert(1)', 'not a number'],
    ['2**3', 'not a number'],
    ['"5"', 'not a number'],
  ])('refuses %j and says why', (text, reason) => {
    const parsed = parseNumber(text);
    expect(parsed.ok ? '' : parsed.reason).toContain(reason);
  });
});

describe('a number shown', () => {
  it.each([
    [2.5, '2.5'],
    [2.0500000000000003, '2.05'],
    [-0.1, '−0.1'],
    [Number.POSITIVE_INFINITY, '∞'],
  ])('%d as %s', (value, text) => expect(formatNumber(value)).toBe(text));

  it('a share as a percentage', () => expect(formatPercent(0.786)).toBe('79 %'));
});

describe('a number with a unit', () => {
  const units = { m: 1, ft: 0.3048, units: 0.5 };
  it.each([
    ['12', 12],
    ['12 m', 12],
    ['40ft', 12.192],
    ['10*4 ft', 12.192],
    ['3 units', 1.5],
    ['2,5 m', 2.5],
  ])('%s is %d of the unit shown', (text, expected) => {
    expect(parseNumber(text, units)).toMatchObject({ ok: true, value: expected });
  });

  it('that is not known is refused', () => {
    expect(parseNumber('3 yards', units).ok).toBe(false);
  });
});
