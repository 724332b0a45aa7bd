import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '../../exchange/demo/index.ts';
import { hiveBouts } from '../../testing/index.ts';
import { experienceNeeded, gainOf, meanGain, meetingsAlong, pacingOf, type MeetingsAt } from './index.ts';

const steady = (experience: number): MeetingsAt['gain'] => ({
  experience,
  coins: 2,
  things: new Map([['crumb', 0.25]]),
  dropped: new Map([['crumb', 0.25]]),
});

describe('the pacing', () => {
  const bouts = hiveBouts();
  bouts.experience = { type: 'steps', from: 40, add: 30, every: 1, startingAt: 1 };

  it('is how many bouts each level takes: 4, then 7, then 10', () => {
    expect([1, 2, 3].map((level) => experienceNeeded(bouts, level) / 10)).toEqual([4, 7, 10]);
    const places = Array.from({ length: 21 }, (_, index) => ({ position: index + 1, meetings: 1, gain: steady(10) }));
    const reached = pacingOf(bouts, places).map(({ level }) => level);
    expect(reached.filter((level) => level === 1)).toHaveLength(3);
    expect(reached.filter((level) => level === 2)).toHaveLength(7);
    expect(reached.at(-1)).toBe(4);
  });

  it('adds up coins, and the chance to have got a thing by then', () => {
    const [first, second] = pacingOf(bouts, [
      { position: 1, meetings: 2, gain: steady(10) },
      { position: 2, meetings: 0, gain: meanGain([]) },
    ]);
    expect(first).toMatchObject({ level: 1, towards: 20, boutsToNext: 2, coins: 4 });
    expect(first!.things.get('crumb')).toBeCloseTo(1 - 0.75 * 0.75, 10);
    expect(second).toMatchObject({ towards: 20, boutsToNext: Number.POSITIVE_INFINITY });
    expect(second!.things.get('crumb')).toBeCloseTo(1 - 0.75 * 0.75, 10);
  });

  it('takes of a group what all its members give, and of several groups the mean by their shares', () => {
    const ants = gainOf(bouts, bouts.groups[0]!, {});
    expect(ants).toMatchObject({ experience: 20, coins: 6 });
    expect(ants.things.get('crumb')).toBeCloseTo(1 - 0.75 * 0.75, 10);
    const mean = meanGain([
      { share: 3, gain: ants },
      { share: 1, gain: steady(100) },
    ]);
    expect(mean.experience).toBe(40);
  });

  it('stops at the highest level, and comes to nothing for ever where a level needs nothing', () => {
    expect(experienceNeeded(bouts, 99)).toBe(Number.POSITIVE_INFINITY);
    const free = { ...bouts, experience: { type: 'hold' as const, value: 0 } };
    expect(pacingOf(free, [{ position: 1, meetings: 1, gain: steady(1) }])[0]!.level).toBe(99);
    expect(experienceNeeded({ experience: { type: 'formula', text: '1 / 0' } }, 3)).toBe(Number.POSITIVE_INFINITY);
  });

  it('of the demo rises to level 10, and shows a thing that hardly anybody will see', () => {
    const project = homeBeforeDusk();
    const last = pacingOf(project.bouts!, meetingsAlong(project)).at(-1)!;
    expect(last.level).toBe(10);
    expect(last.things.get('Silk')!).toBeLessThan(0.05);
    // Level 14 is decided by a bout against the captain and three ants: 60 + 3 × 10.
    expect(meetingsAlong(project)[13]).toMatchObject({ meetings: 1, gain: { experience: 90, coins: 34 } });
    const without = { ...project, bouts: undefined };
    expect(meetingsAlong(without).every(({ meetings }) => meetings === 0)).toBe(true);
  });
});
