import { describe, expect, it } from '@jest/globals';
import { emptyTally, type Tally } from '@stadion/core/forecast/trials';
import { TrialSchedule } from './schedule.ts';

const batch = (attempts = 20): Tally => ({ ...emptyTally(), attempts, cleared: attempts });
const schedule = (enough = 60): TrialSchedule => new TrialSchedule((_key, tally) => tally.attempts >= enough);
const keys = (from: TrialSchedule, count: number): (string | undefined)[] =>
  Array.from({ length: count }, () => from.next()?.key);

describe('a schedule of trials', () => {
  it('goes round and round over the questions of a group', () => {
    const trials = schedule();
    for (const key of ['a', 'b', 'c']) trials.want(key, 'project', 'me');
    expect(keys(trials, 4)).toEqual(['a', 'b', 'c', undefined]);
    trials.played('b', batch());
    expect(trials.next()).toEqual({ key: 'b', group: 'project', first: 20, count: 20 });
  });

  it('plays what may come later only while nothing else of the group waits', () => {
    const trials = schedule();
    trials.want('later', 'project', 'me', { later: true });
    trials.want('now', 'project', 'me');
    expect(keys(trials, 3)).toEqual(['now', 'later', undefined]);
    trials.played('later', batch());
    trials.played('now', batch());
    expect(keys(trials, 1)).toEqual(['now']);
    // Somebody wants it now.
    trials.want('later', 'project', 'you');
    trials.played('now', batch());
    expect(keys(trials, 2)).toEqual(['later', 'now']);
  });

  it('plays a question that a paused group shares with another, and nothing that only paused ones wait for', () => {
    const trials = schedule();
    trials.want('shared', 'first', 'me');
    trials.want('own', 'first', 'me');
    trials.want('shared', 'copy', 'you');
    trials.pause('first', true);
    expect(keys(trials, 2)).toEqual(['shared', undefined]);
    trials.played('shared', batch());
    trials.pause('copy', true);
    expect(keys(trials, 1)).toEqual([undefined]);
    trials.pause('first', false);
    expect(keys(trials, 3)).toEqual(['own', 'shared', undefined]);
  });

  it('lets groups take turns, however many questions one of them has', () => {
    const trials = schedule();
    for (let i = 0; i < 500; i++) trials.want(`large-${i}`, 'large', 'them');
    trials.want('small', 'small', 'me');
    expect(keys(trials, 3)).toEqual(['large-0', 'small', 'large-1']);
  });

  it('shares the time between groups, whatever their attempts cost', () => {
    const trials = schedule(1000);
    trials.want('costly', 'large', 'them');
    for (let i = 0; i < 24; i++) trials.want(`cheap-${i}`, 'small', 'me');
    const order: string[] = [];
    for (let i = 0; i < 24; i++) {
      const { key, group } = trials.next()!;
      order.push(group);
      trials.played(key, batch(), group === 'large' ? 300 : 30);
    }
    expect(order.filter((group) => group === 'large')).toHaveLength(3);
    expect(order.slice(2, 11)).toEqual(Array.from({ length: 9 }, () => 'small'));
  });

  it('goes on where a batch ended early, in step with the others again', () => {
    const trials = schedule(1000);
    trials.want('a', 'project', 'me');
    expect(trials.next()).toMatchObject({ first: 0, count: 20 });
    trials.played('a', batch(7));
    expect(trials.next()).toMatchObject({ first: 7, count: 13 });
  });

  it('is done with a question once it is answered, and goes on from what was played before', () => {
    const trials = schedule();
    trials.want('a', 'project', 'me', { from: batch(40) });
    expect(trials.next()).toMatchObject({ first: 40 });
    expect(trials.played('a', batch())).toBe('done');
    expect(trials.tallyOf('a')?.attempts).toBe(60);
    trials.remove('a');
    expect(trials.has('a')).toBe(false);
  });

  it('drops what nobody waits for, also once a batch of it comes back', () => {
    const trials = schedule();
    trials.want('a', 'project', 'me');
    trials.want('b', 'project', 'me');
    trials.want('b', 'project', 'you');
    expect(trials.next()?.key).toBe('a');
    trials.leave((asker) => asker === 'me');
    expect(trials.played('a', batch())).toBe('unwanted');
    trials.remove('a');
    expect([trials.has('a'), trials.has('b')]).toEqual([false, true]);
    expect(trials.askersOf('b')).toEqual(['you']);
  });

  it('hands back what was played of what it drops', () => {
    const trials = schedule();
    trials.want('a', 'project', 'me', { from: batch(40) });
    trials.want('b', 'project', 'you', { from: batch(20) });
    expect(trials.leave((asker) => asker === 'me').map(({ key, tally }) => [key, tally.attempts])).toEqual([['a', 40]]);
    expect(trials.clear().map(({ key }) => key)).toEqual(['b']);
  });

  it('tries a failed batch once more, then gives it up', () => {
    const trials = schedule();
    trials.want('a', 'project', 'me');
    trials.next();
    expect(trials.failed('a')).toBe('again');
    expect(trials.next()).toMatchObject({ key: 'a', first: 0 });
    expect(trials.failed('a')).toBe('given up');
  });

  it('does not try again what nobody waits for', () => {
    const trials = schedule();
    trials.want('a', 'project', 'me');
    trials.next();
    trials.leave(() => true);
    expect(trials.failed('a')).toBe('unwanted');
  });
});
