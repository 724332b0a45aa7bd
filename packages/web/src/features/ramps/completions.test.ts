import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '@stadion/core/exchange/demo';
import { completionsOf, wordBefore, wordsFor } from './completions.ts';

const { parameters } = homeBeforeDusk();
const clock = parameters.find(({ key }) => key === 'clock')!;
const words = wordsFor(parameters, clock);
const offered = (text: string): string[] => completionsOf(text, text.length, words).map(({ word }) => word);

describe('the words of a formula', () => {
  it.each([
    ['2 * hornet', ['hornetSpeed', 'hornetsSent', 'hornetSight']],
    ['LEV', ['level', 'levels', 'partyLevel']],
    ['speed', ['hornetSpeed']],
    ['cla', ['clamp']],
    ['i', ['if', 'tier', 'hornetSight', 'min', 'ceil']],
    ['2 + ', []],
    ['', []],
    ['tier', []],
    ['clock', []],
  ])('after “%s” are %j', (text, expected) => {
    expect(offered(text)).toEqual(expected);
  });

  it('are those of the word at the caret', () => {
    expect(wordBefore('min(level, 3)', 7)).toEqual({ word: 'lev', from: 4 });
    expect(completionsOf('min(lev, 3)', 7, words).map(({ insert }) => insert)).toEqual([
      'level',
      'levels',
      'partyLevel',
    ]);
  });

  it('have the reading along one, and brackets after functions', () => {
    const live = wordsFor(parameters, { ...clock, ramp: { axis: 'score', shape: clock.ramp.shape } });
    expect(live.some(({ word }) => word === 'reading')).toBe(true);
    expect(words.some(({ word }) => word === 'reading')).toBe(false);
    expect(words.find(({ word }) => word === 'max')).toEqual({
      word: 'max',
      insert: 'max(',
      does: 'max(a, b, …): the greatest of them',
    });
  });
});
