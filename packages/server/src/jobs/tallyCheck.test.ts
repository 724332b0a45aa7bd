import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '@stadion/core/exchange/demo';
import { emptyTally, playBatch, resolveLevel, levelRunner, type Tally } from '@stadion/core/forecast/trials';
import { checkedTally } from './tallyCheck.ts';

const project = homeBeforeDusk();
const played = (position: number): Tally => {
  const tally = emptyTally();
  playBatch(levelRunner(resolveLevel(project, position)), project.pacers[1]!, 0, 20, tally);
  // As it comes over the wire.
  return JSON.parse(JSON.stringify(tally)) as Tally;
};

describe('the result of a batch', () => {
  it.each([1, 3, 6, 12])('of level %i is taken as it was played', (position) => {
    const tally = played(position);
    expect(checkedTally(tally, 20)).toBe(tally);
  });

  it.each<[string, (tally: Tally) => unknown]>([
    ['more attempts than were asked for', (tally) => ({ ...tally, attempts: 1200 })],
    ['more wins than attempts', (tally) => ({ ...tally, cleared: 50_000_000 })],
    ['wins that are no list', (tally) => ({ ...tally, wins: 'all' })],
    ['a time below zero', (tally) => ({ ...tally, times: tally.times.map(() => -1) })],
    ['no counts of stars', (tally) => ({ ...tally, stars: [1, 2] })],
    ['more endings than attempts', (tally) => ({ ...tally, endings: { '0/0': 400 } })],
    ['nothing', () => null],
    ['a text', () => 'done'],
  ])('with %s is refused', (_what, broken) => {
    expect(() => checkedTally(broken(played(1)), 20)).toThrow(/batch/);
  });
});
