import { describe, expect, it } from '@jest/globals';
import { counted } from './index.ts';

describe('a counted noun', () => {
  it.each<[number, string, string]>([
    [1, 'star', '1 star'],
    [2, 'star', '2 stars'],
    [0, 'level', '0 levels'],
    [1.5, 'level', '1.5 levels'],
    [-1, 'point', '−1 point'],
    [1, 'life', '1 life'],
    [3, 'life', '3 lives'],
    [2, 'try', '2 tries'],
  ])('%d %s is %j', (count, noun, words) => {
    expect(counted(count, noun)).toBe(words);
  });
});
