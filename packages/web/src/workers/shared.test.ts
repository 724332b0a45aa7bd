import { describe, expect, it } from '@jest/globals';
import { handOf, shared } from './shared.ts';

/** A hand that takes so many turns of the loop for a job. */
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
