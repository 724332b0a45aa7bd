import { describe, expect, it } from '@jest/globals';
import { evictOldest } from './index.ts';

describe('a map that keeps the latest', () => {
  it('removes the oldest entry, and none while there is room', () => {
    const map = new Map([
      ['clover', 1],
      ['lavender', 2],
    ]);
    evictOldest(map, 2);
    expect([...map.keys()]).toEqual(['clover', 'lavender']);
    evictOldest(map.set('thyme', 3), 2);
    expect([...map.keys()]).toEqual(['lavender', 'thyme']);
  });
});
