import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { answering, type Stop } from './answering.ts';

interface Question {
  id: number;
  bits: number;
}
interface Told {
  id: number;
  done: boolean;
  bits: number;
}

let ask: (data: Question | Stop) => void;
let told: Told[];
const begun = new Map<number, number>();

/** A worker whose questions take three parts of work; the first gives no answer. */
function start(everyMs = 0, firstMs = everyMs): void {
  answering<Question, { bits: number }>(
    ({ id, bits }) => {
      let done = 0;
      return {
        step() {
          done++;
          begun.set(id, done);
          return done < bits;
        },
        read: () => (done < 2 ? undefined : { bits: done }),
      };
    },
    everyMs,
    firstMs,
  );
}

const kept = { add: globalThis.addEventListener, post: globalThis.postMessage };
beforeEach(() => {
  jest.useFakeTimers();
  told = [];
  begun.clear();
  globalThis.addEventListener = ((_name: string, listen: (event: unknown) => void) => {
    ask = (data) => listen({ data });
  }) as typeof addEventListener;
  globalThis.postMessage = ((message: Told) => void told.push(message)) as typeof postMessage;
});
afterEach(() => {
  jest.useRealTimers();
  Object.assign(globalThis, { addEventListener: kept.add, postMessage: kept.post });
});

describe('a worker that answers bit by bit', () => {
  it('tells how far it has come once that says something, and the last word', async () => {
    start(-1);
    ask({ id: 1, bits: 4 });
    await jest.advanceTimersByTimeAsync(100);
    expect(told).toEqual([
      { id: 1, done: false, bits: 2 },
      { id: 1, done: false, bits: 3 },
      { id: 1, done: true, bits: 4 },
    ]);
  });

  it('tells no more often than it is asked to, the first time sooner if wanted', async () => {
    start(1_000_000, -1);
    ask({ id: 1, bits: 6 });
    await jest.advanceTimersByTimeAsync(100);
    expect(told.map(({ bits }) => bits)).toEqual([2, 6]);
  });

  it('leaves a question for the next one', async () => {
    start();
    ask({ id: 1, bits: 1000 });
    await jest.advanceTimersByTimeAsync(3);
    ask({ id: 2, bits: 2 });
    await jest.advanceTimersByTimeAsync(3000);
    expect(begun.get(1)).toBeLessThan(10);
    expect(told.at(-1)).toEqual({ id: 2, done: true, bits: 2 });
  });

  it('stops when nobody waits any more', async () => {
    start();
    ask({ id: 1, bits: 1000 });
    await jest.advanceTimersByTimeAsync(3);
    ask({ id: 2, stop: true });
    const before = begun.get(1);
    await jest.advanceTimersByTimeAsync(3000);
    expect(begun.get(1)).toBe(before);
    expect(told.some(({ done }) => done)).toBe(false);
  });
});
