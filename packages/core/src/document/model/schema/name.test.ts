import { describe, expect, it } from '@jest/globals';
import { Order } from './keyed.ts';
import { Line, Name } from './name.ts';

describe('a name', () => {
  it.each(['Clover Steps', '蜂の庭 🐝', ' spaced '])('can be %j', (name) =>
    expect(Name().safeParse(name).success).toBe(true),
  );

  it.each([
    ['', 'This needs a name.'],
    ['   ', 'This needs a name.'],
    ['two\nlines', 'Line breaks and control characters are not allowed here.'],
    ['nul\u0000', 'Line breaks and control characters are not allowed here.'],
    ['half \ud800', 'Line breaks and control characters are not allowed here.'],
    ['x'.repeat(81), 'A name has at most 80 characters.'],
  ])('cannot be %j', (name, message) => expect(Name().safeParse(name).error?.issues[0]?.message).toBe(message));

  it('may be empty where it is only a line', () => expect(Line(5).safeParse('').success).toBe(true));
});

describe('an order', () => {
  it.each([-1e12, 0, 0.5, 1e12])('can be %d', (order) => expect(Order.safeParse(order).success).toBe(true));

  it.each([2 ** 53, -(2 ** 53), Infinity, NaN])('cannot be %d', (order) =>
    expect(Order.safeParse(order).success).toBe(false),
  );
});
