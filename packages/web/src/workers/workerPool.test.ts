/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals';
import { handOf, helpersBy, helperCount, shared } from './workerPool.ts';

/** A worker that takes a number of turns of the event loop for a job. */
const hand =
  (turns: number, done: number[][] = [], name = 0) =>
  async (job: number): Promise<number> => {
    for (let i = 0; i < turns; i++) await Promise.resolve();
    done.push([name, job]);
    return job * 10;
  };

describe('jobs shared by several hands', () => {
  it('come back in their order, whoever did them; who is quicker does more', async () => {
    const done: number[][] = [];
    const jobs = [1, 2, 3, 4, 5, 6, 7, 8];
    expect(await shared(jobs, [hand(1, done, 1), hand(12, done, 2)])).toEqual(jobs.map((job) => job * 10));
    const by = (name: number): number => done.filter(([who]) => who === name).length;
    expect(by(1)).toBeGreaterThan(by(2));
    expect(by(1) + by(2)).toBe(8);
  });

  it('are not begun any more once nobody waits', async () => {
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

  it('are done by a worker that answers in order', async () => {
    let listen: (event: { data: number }) => void = () => {};
    const worker = {
      addEventListener: (_name: string, listener: typeof listen) => void (listen = listener),
      postMessage: (job: number) => void setTimeout(() => listen({ data: job + 1 })),
    };
    const help = handOf<number, number>(worker as unknown as Worker);
    expect(await shared([1, 2, 3], [help, help])).toEqual([2, 3, 4]);
  });
});

describe('helpers', () => {
  const cores = Object.getOwnPropertyDescriptor(navigator, 'hardwareConcurrency');
  let running = 0;
  let made = 0;
  const make = (): Worker => {
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
  const withCores = (count: number): void => {
    Object.defineProperty(navigator, 'hardwareConcurrency', { value: count, configurable: true });
  };

  it.each([
    [1, 0],
    [2, 1],
    [4, 3],
    [32, 3],
  ])('are, on %i cores, %i', (count, helpers) => {
    withCores(count);
    expect(helpersBy(make).lend()).toHaveLength(helpers);
    expect(running).toBe(helpers);
  });

  it('are fewer by one beside somebody who edits', () => {
    expect([1, 2, 3, 4, 8, 64].map(helperCount)).toEqual([0, 0, 1, 2, 3, 3]);
  });

  it('are lent again while they are idle, and let go after a while', () => {
    withCores(3);
    const helpers = helpersBy(make);
    helpers.giveBack(helpers.lend());
    jest.advanceTimersByTime(10_000);
    const again = helpers.lend();
    expect(made).toBe(2);
    jest.advanceTimersByTime(60_000);
    expect(running).toBe(2);
    helpers.giveBack(again);
    // Given back twice, they are not idle twice.
    helpers.giveBack(again);
    jest.advanceTimersByTime(60_000);
    expect(running).toBe(0);
    expect(helpers.lend()).toHaveLength(2);
    expect(made).toBe(4);
  });
});
