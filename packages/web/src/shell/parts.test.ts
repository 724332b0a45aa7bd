import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { loadParts, part } from './parts.ts';

const Shown = (): null => null;

describe('parts that come after the first screen', () => {
  beforeEach(() => void jest.useFakeTimers());
  afterEach(() => void jest.useRealTimers());

  it('are loaded one after the other once the first screen had its time, also those that a part names', async () => {
    const loaded: string[] = [];
    part(async () => {
      loaded.push('ground');
      part(async () => {
        loaded.push('sections');
        return Shown;
      });
      return Shown;
    });
    part(() => Promise.reject(new Error('The server is away.')));
    part(async () => {
      loaded.push('history');
      return Shown;
    });
    loadParts([async () => void loaded.push('schema')]);
    expect(loaded).toEqual([]);
    await jest.advanceTimersByTimeAsync(2000);
    expect(loaded).toEqual(['schema', 'ground', 'history', 'sections']);
  });

  it('are not loaded after the screen has been left', async () => {
    const load = jest.fn(async () => undefined);
    loadParts([load])();
    await jest.advanceTimersByTimeAsync(5000);
    expect(load).not.toHaveBeenCalled();
  });
});
