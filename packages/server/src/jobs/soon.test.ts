import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { pino } from 'pino';
import { Soon } from './soon.ts';

const WAIT_MS = 100;
beforeEach(() => void jest.useFakeTimers());
afterEach(() => void jest.useRealTimers());

/** Work that ends on command. */
function slowWork() {
  const begun: string[] = [];
  const ends: (() => void)[] = [];
  const work = (projectId: string): Promise<void> => {
    begun.push(projectId);
    return new Promise((end) => ends.push(end));
  };
  return { begun, ends, work };
}

describe('work that is done soon', () => {
  it('is done once for all that asks for it within a moment, for each project by itself', async () => {
    const { begun, work } = slowWork();
    const soon = new Soon(work, WAIT_MS, pino({ level: 'silent' }));
    for (const id of ['dusk', 'dawn', 'dusk']) soon.ask(id);
    expect(begun).toEqual([]);
    await jest.advanceTimersByTimeAsync(WAIT_MS);
    expect(begun).toEqual(['dusk', 'dawn']);
  });

  it('that is asked for while it is done is done again afterwards, not beside it', async () => {
    const { begun, ends, work } = slowWork();
    const soon = new Soon(work, WAIT_MS, pino({ level: 'silent' }));
    soon.ask('dusk');
    await jest.advanceTimersByTimeAsync(WAIT_MS);
    soon.ask('dusk');
    await jest.advanceTimersByTimeAsync(5 * WAIT_MS);
    expect(begun).toEqual(['dusk']);
    ends[0]!();
    await jest.advanceTimersByTimeAsync(WAIT_MS);
    expect(begun).toEqual(['dusk', 'dusk']);
  });

  it('that fails is logged, and is done when it is asked for again', async () => {
    const log = pino({ level: 'silent' });
    const error = jest.spyOn(log, 'error').mockImplementation(() => undefined);
    let tries = 0;
    const soon = new Soon(() => Promise.reject(new Error(`try ${++tries}`)), WAIT_MS, log);
    soon.ask('dusk');
    await jest.advanceTimersByTimeAsync(WAIT_MS);
    soon.ask('dusk');
    await jest.advanceTimersByTimeAsync(WAIT_MS);
    expect(tries).toBe(2);
    expect(error).toHaveBeenCalledTimes(2);
    soon.ask('dusk');
    soon.close();
    await jest.advanceTimersByTimeAsync(WAIT_MS);
    expect(tries).toBe(2);
  });
});
