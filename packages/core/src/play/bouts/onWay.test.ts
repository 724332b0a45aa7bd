import { describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '../../exchange/demo/index.ts';
import { literal, type Meetings } from '../../document/model/index.ts';
import { hiveBout } from '../../testing/index.ts';
import {
  levelBefore,
  makeBoutWorld,
  meetingsExpected,
  meetNow,
  playMet,
  prepareMeetings,
  startOnWay,
  wayAcross,
  type MetOnWay,
  type WithBouts,
} from './index.ts';

const place = (change: Partial<MetOnWay> = {}): MetOnWay => ({
  ...{ many: 3, every: 10, zones: [], shares: [0.75, 0.25] },
  ...change,
});

/** Returns the places on a way at which somebody is met, and the groups. */
function metAlong(on: MetOnWay, seed: number, units: number): [at: number, group: number][] {
  const way = startOnWay(seed);
  const met: [number, number][] = [];
  for (let distance = 0; distance <= units; distance += 0.1) {
    const now = meetNow(on, way, { distance, inside: [] });
    if (now) met.push([distance, now.group]);
  }
  return met;
}

describe('meetings on the way', () => {
  it('come once in each stretch of way, up to their limit, and the same for the same seed', () => {
    for (let seed = 1; seed < 40; seed++) {
      const met = metAlong(place(), seed, 100);
      expect(met).toHaveLength(3);
      met.forEach(([at], index) => {
        expect(at).toBeGreaterThanOrEqual(10 * index);
        expect(at).toBeLessThanOrEqual(10 * (index + 1) + 0.1);
      });
      expect(metAlong(place(), seed, 100)).toEqual(met);
    }
    expect(metAlong(place(), 1, 100)).not.toEqual(metAlong(place(), 2, 100));
  });

  it('are as many as is said, on average, and of each group by its share', () => {
    const all = Array.from({ length: 2000 }, (_, seed) => metAlong(place({ many: 1.3, every: 4 }), seed, 12));
    const met = all.flat();
    // 1.3 of 2000 each, and three quarters of them: five deviations.
    expect(Math.abs(met.length / 2000 - 1.3)).toBeLessThan(0.052);
    expect(Math.abs(met.filter(([, group]) => group === 0).length / met.length - 0.75)).toBeLessThan(0.043);
  });

  it('are in zones when they are first entered, and then nowhere else', () => {
    const way = startOnWay(5);
    const on = place({ every: null, zones: [0, 2], shares: [1] });
    const meet = (...inside: number[]): boolean => meetNow(on, way, { distance: 1e6, inside }) !== null;
    expect([meet(0, 1, 0), meet(1, 0, 0), meet(1, 0, 0), meet(0, 0, 0), meet(1, 0, 1), meet(1, 0, 1)]).toEqual([
      ...[false, true, false, false, true, false],
    ]);
  });

  it('meet nobody where no group has a share', () => {
    expect(metAlong(place({ shares: [] }), 1, 100)).toEqual([]);
    expect(metAlong(place({ shares: [0, 0] }), 1, 100)).toEqual([]);
  });

  it('are expected by the way, by what is said, or by zones', () => {
    const [level] = Object.values(homeBeforeDusk().levels) as [WithBouts['levels'][string]];
    const way = wayAcross(level.ground);
    expect(way).toBe(level.ground.rows[0]!.length + level.ground.rows.length);
    const meetings = (change: Partial<Meetings>): Meetings => ({
      ...{ groups: { ants: 1 }, many: literal(4), mayWithdraw: true, whenLost: 'goOn', ...change },
    });
    const expected = (change: Partial<Meetings>): number => meetingsExpected(meetings(change), level, {});
    expect(expected({})).toBe(4);
    expect(expected({ every: literal(way / 2) })).toBe(2);
    expect(expected({ every: literal(1) })).toBe(4);
    expect(expected({ every: literal(0), many: literal(-3) })).toBe(0);
    expect(expected({ zones: ['hive', 'pond'] })).toBe(2);
  });

  it('are made ready with the party that the meetings before have made', () => {
    const project = homeBeforeDusk() as WithBouts;
    expect([levelBefore(project, 1), levelBefore(project, 24)]).toEqual([1, 9]);
    const level = project.levels[project.slots[23]!.levelId]!;
    const { on, fights, loses } = prepareMeetings(project, level, level.meetings!, {
      ...{ position: 24, values: {}, partyLevel: 9 },
    });
    expect(on).toEqual({ many: 2, every: wayAcross(level.ground) / 2, zones: [], shares: [0.5, 0.5] });
    expect(fights.map(({ theirs }) => theirs[0]!.id)).toEqual(['wasp-captain', 'spider']);
    expect([fights[0]!.ours.length, fights[0]!.mayWithdraw, loses]).toEqual([2, true, false]);
  });
});

describe('a fight on the way', () => {
  const fight = (mayWithdraw: boolean) => makeBoutWorld({ ...hiveBout('captain', { party: ['bee'] }), mayWithdraw });

  it('is left by a party that is worn down, where it may; else it is lost', () => {
    const phases = (mayWithdraw: boolean): Set<string> =>
      new Set(Array.from({ length: 60 }, (_, seed) => playMet(fight(mayWithdraw), { planning: 1 }, seed).phase));
    expect(phases(false)).toEqual(new Set(['lost']));
    expect(phases(true).has('withdrawn')).toBe(true);
  });

  it('is reported turn by turn', () => {
    let turns = 0;
    const { round } = playMet(fight(false), { planning: 0.5 }, 3, () => turns++);
    expect(turns).toBeGreaterThan(round);
  });
});
