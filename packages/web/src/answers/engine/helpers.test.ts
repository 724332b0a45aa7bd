/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { Helper, Helpers, helpersBesideEdits, helpersWaitedFor, shared } from './helpers.ts';
import type { HelperResult, HelperTask } from './tasks/index.ts';

/** A hand that takes a number of turns of the event loop for a job. */
const hand =
  (turns: number, done: number[][] = [], name = 0) =>
  async (job: number): Promise<number> => {
    for (let i = 0; i < turns; i++) await Promise.resolve();
    done.push([name, job]);
    return job * 10;
  };

describe('jobs shared by several hands', () => {
  it('return in their order, and the quicker hand does more of them', async () => {
    const done: number[][] = [];
    const jobs = [1, 2, 3, 4, 5, 6, 7, 8];
    expect(await shared(jobs, [hand(1, done, 1), hand(12, done, 2)])).toEqual(jobs.map((job) => job * 10));
    const by = (name: number): number => done.filter(([who]) => who === name).length;
    expect(by(1)).toBeGreaterThan(by(2));
    expect(by(1) + by(2)).toBe(8);
  });

  it('are not begun once nobody waits', async () => {
    let begun = 0;
    const results = await shared(
      [1, 2, 3, 4],
      [
        async (job: number) => {
          begun++;
          return Promise.resolve(job);
        },
      ],
      () => begun < 2,
    );
    expect(begun).toBe(2);
    expect(results.slice(0, 2)).toEqual([1, 2]);
  });
});

describe('a helper', () => {
  it('sends the setup with the first part of each task, and passes the results on in order', async () => {
    const posted: HelperTask[] = [];
    let hear: (event: { data: HelperResult }) => void = () => {};
    const helper = new Helper({
      addEventListener: (_name: string, listener: typeof hear) => void (hear = listener),
      postMessage: (message: HelperTask) => void posted.push(message),
    } as unknown as Worker);
    const question = { level: 'first' } as never;
    const play = helper.handFor('attempts', question);
    const parts = [play({ first: 0, count: 10 }), play({ first: 10, count: 10 })];
    const later = helper.handFor('attempts', question)({ first: 0, count: 5 });
    expect(posted.map(({ group, setup }) => [group, setup !== undefined])).toEqual([
      [1, true],
      [1, false],
      [2, true],
    ]);
    hear({ data: { result: 'one' } });
    hear({ data: {} });
    hear({ data: { result: 'three' } });
    expect(await Promise.all([...parts, later])).toEqual(['one', undefined, 'three']);
  });
});

describe('helpers', () => {
  const cores = Object.getOwnPropertyDescriptor(navigator, 'hardwareConcurrency');
  let running = 0;
  let made = 0;
  const start = (): Worker => {
    running++;
    made++;
    return { addEventListener() {}, postMessage() {}, terminate: () => running-- } as unknown as Worker;
  };
  beforeEach(() => {
    jest.useFakeTimers();
    running = 0;
    made = 0;
  });
  afterEach(() => {
    jest.useRealTimers();
    if (cores) Object.defineProperty(navigator, 'hardwareConcurrency', cores);
    else Reflect.deleteProperty(navigator, 'hardwareConcurrency');
  });

  it.each([
    [1, 0, 0],
    [2, 1, 0],
    [3, 2, 1],
    [4, 3, 2],
    [32, 3, 3],
  ])('number, on %i cores, %i for a question that is waited for and %i beside edits', (count, waited, beside) => {
    Object.defineProperty(navigator, 'hardwareConcurrency', { value: count, configurable: true });
    expect([helpersWaitedFor(), helpersBesideEdits(count)]).toEqual([waited, beside]);
  });

  it('are lent again while they are idle, and end after a while', () => {
    const helpers = new Helpers(start);
    helpers.giveBack(helpers.lend(2));
    jest.advanceTimersByTime(10_000);
    const again = helpers.lend(2);
    expect(made).toBe(2);
    jest.advanceTimersByTime(60_000);
    expect(running).toBe(2);
    helpers.giveBack(again);
    jest.advanceTimersByTime(60_000);
    expect(running).toBe(0);
    expect(helpers.lend(2)).toHaveLength(2);
    expect(made).toBe(4);
  });
});
