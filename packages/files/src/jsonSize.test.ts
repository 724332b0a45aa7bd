import { describe, expect, it } from '@jest/globals';
import { DEEPEST, MOST_ENTRIES, oversizeIn } from './jsonSize.ts';

const list = (count: number, item = '0'): string => `[${Array.from({ length: count }, () => item).join()}]`;

describe('the size of a text', () => {
  it.each([
    ['as deep as it may be', '['.repeat(DEEPEST) + ']'.repeat(DEEPEST), undefined],
    ['deeper', '['.repeat(DEEPEST + 1), DEEPEST],
    ['as many items as there may be', list(MOST_ENTRIES), undefined],
    ['one more', list(MOST_ENTRIES + 1), 2 * MOST_ENTRIES],
    ['many in several lists', list(3, list(MOST_ENTRIES)), undefined],
    ['brackets and commas in a string', JSON.stringify({ a: '[,"'.repeat(9000) }), undefined],
    ['closed too often', `${']'.repeat(200)}${list(5)}`, undefined],
    ['nothing', '', undefined],
  ])('%s', (_case, text, at) => {
    expect(oversizeIn(text)?.at).toBe(at);
  });

  it('is refused where all lists together are too many', () => {
    expect(oversizeIn(list(400, list(MOST_ENTRIES)))?.message).toBe('This has more values than any project.');
  });
});
