import { describe, expect, it } from '@jest/globals';
import { addressOf } from '../address/address.ts';
import { SCREENS, screenAt } from './screens.ts';

describe('the screens', () => {
  it('have a path and a key each, of their own', () => {
    for (const name of ['path', 'key', 'does'] as const) {
      const all = SCREENS.map((screen) => screen[name]);
      expect(new Set(all).size).toBe(all.length);
    }
  });

  it.each(SCREENS.map(({ path }) => path))('%s is loaded, and has an address of its own', async (path) => {
    expect(await screenAt(path).load()).toBeInstanceOf(Function);
    expect(addressOf('dusk', path, 'slot-7')).toBe(`/projects/dusk/${path}/slot-7`);
  });

  it('without a tab stand under one that has a tab, except play, which covers the page', () => {
    const tabless = SCREENS.filter(({ tab }) => tab === undefined);
    expect(tabless.map(({ path, under }) => [path, under && screenAt(under).tab])).toEqual([
      ['bouts', 'Kinds'],
      ['play', undefined],
    ]);
  });
});
