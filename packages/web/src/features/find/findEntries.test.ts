import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '@stadion/core/exchange/demo';
import { findEntries, foundBy } from './findEntries.ts';

const demo = homeBeforeDusk();
demo.levels['lavender-bank']!.note = 'The first level with two hornets: seen in a playtest of ours.';
const entries = findEntries(demo, []);
const found = (typed: string, recent: string[] = []) =>
  foundBy(entries, typed, recent, 5).map(({ sort, label }) => `${sort}: ${label}`);

describe('finding', () => {
  it.each([
    ['a level by its number', '7', 'level: 7 Lavender Bank'],
    ['a level by a part of its name', 'greedy', 'level: 17 The Greedy Bee'],
    ['a parameter', 'hornet sp', 'parameter: Hornet speed'],
    ['a kind', 'royal', 'kind: Royal bloom'],
    ['a note by its words', 'playtest of ours', 'note: The first level with two hornets: seen in a playtest of ours.'],
  ])('%s', (_what, typed, first) => {
    const names = found(typed);
    expect(names).toContain(first);
  });

  it('finds rules by their words, with their level', () => {
    const [rule] = foundBy(entries, 'hive mouth inside', [], 5);
    expect([rule?.sort, rule?.where !== undefined]).toEqual(['rule', true]);
  });

  it('shows what was chosen last first', () => {
    expect(found('', ['kind enemies hornet'])[0]).toBe('kind: Hornet');
  });

  it('names every entry once', () => {
    expect(new Set(entries.map(({ id }) => id)).size).toBe(entries.length);
  });
});
