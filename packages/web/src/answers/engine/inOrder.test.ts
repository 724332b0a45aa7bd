import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '@stadion/core/exchange/demo';
import {
  addTally,
  DEFAULT_PRECISION,
  emptyTally,
  forecastOf,
  isPreciseEnough,
  playBatch,
  levelRunner,
  trialQuestion,
  type Tally,
} from '@stadion/core/forecast/trials';
import { InOrder } from './inOrder.ts';

/** A work whose helpers answer after some milliseconds, or never, with a record of who did which part. */
function crewOf(helpers: number, after?: (at: number) => number) {
  const did: string[] = [];
  const order: InOrder<string> = new InOrder({
    helpers,
    here(at) {
      did.push(`here ${at}`);
      return `part ${at}`;
    },
    ask(helper, at) {
      did.push(`helper ${helper} ${at}`);
      if (after) setTimeout(() => order.arrived(at, `part ${at}`), after(at));
    },
  });
  return { order, did };
}

async function taken(order: InOrder<string>, count: number): Promise<(string | undefined)[]> {
  const parts = [];
  for (let i = 0; i < count; i++) parts.push(await order.take());
  return parts;
}

/** Waits until a number has grown and then stays the same ten times in a row. */
async function untilSteady(read: () => number): Promise<void> {
  let before = 0;
  let same = 0;
  while (same < 10) {
    await new Promise((resolve) => setTimeout(resolve, 10));
    const now = read();
    same = now > 0 && now === before ? same + 1 : 0;
    before = now;
  }
}

const parts = (count: number): string[] => Array.from({ length: count }, (_, at) => `part ${at}`);

describe('a work in parts', () => {
  it.each([0, 1, 3])('is taken in order with %i helpers, whoever is quick', async (helpers) => {
    const { order } = crewOf(helpers, (at) => (at % 3) * 4);
    expect(await taken(order, 20)).toEqual(parts(20));
  });

  it('has the same hand for the same part each time, so that it knows what it did before', async () => {
    const { order, did } = crewOf(2, () => 1);
    await taken(order, 9);
    expect(did.filter((what) => what.startsWith('here')).slice(0, 3)).toEqual(['here 0', 'here 3', 'here 6']);
    expect(did.filter((what) => what.startsWith('helper 1')).slice(0, 3)).toEqual([
      'helper 1 2',
      'helper 1 5',
      'helper 1 8',
    ]);
  });

  it('does not run far ahead of what is taken', async () => {
    const { order, did } = crewOf(3);
    void order.take();
    void order.take();
    await untilSteady(() => did.length);
    expect(did).toHaveLength(9);
    order.end();
  });

  it('has no next part once nobody waits', async () => {
    const { order } = crewOf(1);
    await order.take();
    const next = order.take();
    setTimeout(() => order.end(), 5);
    expect(await next).toBeUndefined();
    expect(await order.take()).toBeUndefined();
  });

  it('is, of attempts, the very forecast of one hand alone', async () => {
    const project = homeBeforeDusk();
    const { level, population } = trialQuestion(project, 14, project.pacers[1]!, DEFAULT_PRECISION);
    const precision = { halfWidth: 0.05, fewest: 60, limit: 400 };
    const batch = (at: number): Tally => {
      const tally = emptyTally();
      playBatch(levelRunner(level), population, at * 10, 10, tally);
      return tally;
    };
    const alone = emptyTally();
    while (!isPreciseEnough(alone, precision)) playBatch(levelRunner(level), population, alone.attempts, 10, alone);
    const order: InOrder<Tally> = new InOrder({
      helpers: 2,
      here: batch,
      ask: (_helper, at) => setTimeout(() => order.arrived(at, batch(at)), (at * 7) % 5),
    });
    const together = emptyTally();
    while (!isPreciseEnough(together, precision)) addTally(together, (await order.take())!);
    order.end();
    expect(forecastOf(together)).toEqual(forecastOf(alone));
  });
});
