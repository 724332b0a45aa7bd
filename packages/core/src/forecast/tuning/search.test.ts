import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '../../exchange/demo/index.ts';
import type { Counted } from '../../basics/stats/index.ts';
import {
  answered,
  batchPlayer,
  goalOf,
  searchFor,
  partsOf,
  type Batch,
  type Search,
  type TuningAsked,
  type TuningName,
} from './index.ts';

const demo = homeBeforeDusk();
const steady = demo.pacers[1]!;
const play = batchPlayer(demo, steady);

/** Counts that any batch might come to, the same whenever they are asked for. */
const made = ({ position, values, from, count }: Batch): Counted => ({
  successes: Math.round(count * (0.5 + 0.4 * Math.sin(position + from + (values['clock'] ?? 0)))),
  trials: count,
});

const ASKED: { [Name in TuningName]: TuningAsked[Name] } = {
  bring: { position: 3, goal: { is: 'clearRate', share: 0.6 }, by: 'clock' },
  sweep: { axes: [{ key: 'clock', values: [20, 30] }], positions: [1, 2] },
  fit: { keys: ['clock', 'hornetSpeed'], from: 1, to: 3, wanted: [0.9, 0.8, 0.7], by: 'points' },
  movers: { position: 9 },
};

/** Continues a search for a number of rounds. @returns their results */
function goOn(search: Search<unknown>, most: number): Counted[][] {
  const rounds: Counted[][] = [];
  for (let due = search.due(); due.length > 0 && rounds.length < most; due = search.due()) {
    const came = due.map(made);
    search.take(came);
    rounds.push(came);
  }
  return rounds;
}

describe('what is found out by attempts', () => {
  it.each(Object.entries(ASKED) as [TuningName, TuningAsked[TuningName]][])(
    'goes on, told what came before, as if it had never stopped: %s',
    (name, asked) => {
      const whole = searchFor(demo, name, asked);
      goOn(whole, 60);
      const stopped = searchFor(demo, name, asked);
      const rounds = goOn(stopped, 5);
      const again = searchFor(demo, name, asked);
      for (const came of rounds) again.take(came);
      expect(again.read()).toEqual(stopped.read());
      expect(again.due()).toEqual(stopped.due());
      goOn(again, 60 - rounds.length);
      expect(again.read()).toEqual(whole.read());
    },
  );

  it('counts what says something about its goal', () => {
    const goal = goalOf<'bring'>({ ...ASKED.bring, goal: { is: 'stars', stars: 3, share: 0.2 } });
    const batch = { position: 17, values: { clock: 12 }, from: 0, count: 12 };
    const { trials } = batchPlayer(demo, steady, goal)(batch);
    // Stars are of those who clear it.
    expect(trials).toBe(play(batch).successes);
    expect(trials).toBeLessThan(12);
    expect(goalOf<'movers'>({ position: 1 })).toEqual({ is: 'clearRate', share: 1 });
  });

  it('may play a batch in parts', () => {
    const batch = { position: 1, values: { clock: 17 }, from: 7, count: 45 };
    const parts = partsOf(batch, 20);
    expect(parts.map(({ from, count }) => [from, count])).toEqual([
      [7, 20],
      [27, 20],
      [47, 5],
    ]);
    const sum = parts.map(play).reduce((all, { successes }) => all + successes, 0);
    expect(sum).toBe(play(batch).successes);
    expect(partsOf({ ...batch, count: 0 }, 20)).toEqual([]);
  });

  it('is done at once where there is nothing to try', () => {
    const empty = { ...demo, slots: [] };
    const sweep = searchFor(empty, 'sweep', ASKED.sweep);
    expect(sweep.due()).toEqual([]);
    expect(answered(sweep, play)).toEqual({ points: [], least: 0 });
    expect(searchFor(empty, 'fit', ASKED.fit).read()).toMatchObject({ stage: 'done', slots: [] });
  });
});
