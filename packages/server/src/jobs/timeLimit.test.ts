import { describe, expect, it, jest } from '@jest/globals';
import { timeLimit } from './timeLimit.ts';

describe('a limit of computing time', () => {
  it('does not end work while the machine gives the process no time, and ends it once the time is used', () => {
    jest.useFakeTimers();
    let used = 0;
    const { signal } = timeLimit(1000, () => used);
    jest.advanceTimersByTime(10_000);
    expect(signal.aborted).toBe(false);
    used = 1000;
    jest.advanceTimersByTime(500);
    expect(signal.aborted).toBe(true);
    jest.useRealTimers();
  });

  it('does not end work earlier than the clock on the wall, however many threads compute beside it', () => {
    jest.useFakeTimers();
    let used = 0;
    const { signal, end } = timeLimit(1000, () => used);
    used = 5000;
    jest.advanceTimersByTime(750);
    expect(signal.aborted).toBe(false);
    end();
    jest.advanceTimersByTime(10_000);
    expect(signal.aborted).toBe(false);
    jest.useRealTimers();
  });
});
