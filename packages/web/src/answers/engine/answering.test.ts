import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { Answering, type Job } from './answering.ts';

interface Question {
  id: number;
  bits: number;
}

let reported: (Question & { done: boolean })[];
let ended: number[];
const begun = new Map<number, number>();

/** A thread whose questions take a number of parts; the first gives no answer. */
function threadOf(everyMs = 0, firstMs = everyMs) {
  const thread = new Answering();
  const job: Job<Question, { bits: number }> = {
    ...{ everyMs, firstMs },
    begin({ id, bits }) {
      let done = 0;
      return {
        step() {
          done++;
          begun.set(id, done);
          return done < bits;
        },
        read: () => (done < 2 ? undefined : { bits: done }),
        end: () => void ended.push(id),
      };
    },
  };
  return {
    job,
    stop: (id: number) => thread.stop(id),
    ask: (question: Question, load = () => Promise.resolve(job)) =>
      void thread.answer(load, question.id, question, ({ bits }, done) =>
        reported.push({ id: question.id, done, bits }),
      ),
  };
}

beforeEach(() => {
  jest.useFakeTimers();
  reported = [];
  ended = [];
  begun.clear();
});
afterEach(() => {
  jest.useRealTimers();
});

describe('a thread of the engine', () => {
  it('reports the progress as soon as there is an answer, and the end', async () => {
    threadOf(-1).ask({ id: 1, bits: 4 });
    await jest.advanceTimersByTimeAsync(100);
    expect(reported).toEqual([
      { id: 1, done: false, bits: 2 },
      { id: 1, done: false, bits: 3 },
      { id: 1, done: true, bits: 4 },
    ]);
    expect(ended).toEqual([1]);
  });

  it('reports no more often than its job says, the first time sooner where the job says so', async () => {
    threadOf(1_000_000, -1).ask({ id: 1, bits: 6 });
    await jest.advanceTimersByTimeAsync(100);
    expect(reported.map(({ bits }) => bits)).toEqual([2, 6]);
  });

  it('replaces a question by the next one', async () => {
    const { ask } = threadOf();
    ask({ id: 1, bits: 1000 });
    await jest.advanceTimersByTimeAsync(3);
    ask({ id: 2, bits: 2 });
    await jest.advanceTimersByTimeAsync(3000);
    expect(begun.get(1)).toBeLessThan(10);
    expect(reported.at(-1)).toEqual({ id: 2, done: true, bits: 2 });
    expect(new Set(ended)).toEqual(new Set([1, 2]));
  });

  it('does not work on a question that is stopped while its job is loaded', async () => {
    const { ask, stop, job } = threadOf();
    ask({ id: 1, bits: 3 }, () => new Promise((resolve) => setTimeout(() => resolve(job), 50)));
    stop(2);
    await jest.advanceTimersByTimeAsync(3000);
    expect([begun.has(1), reported, ended]).toEqual([false, [], [1]]);
  });

  it('stops when nobody waits any more', async () => {
    const { ask, stop } = threadOf();
    ask({ id: 1, bits: 1000 });
    await jest.advanceTimersByTimeAsync(3);
    stop(2);
    const before = begun.get(1);
    await jest.advanceTimersByTimeAsync(3000);
    expect(begun.get(1)).toBe(before);
    expect(reported.some(({ done }) => done)).toBe(false);
    expect(ended).toEqual([1]);
  });
});
