import { describe, expect, it } from '@jest/globals';
import { replay } from '../../play/attempt/index.ts';
import { homeBeforeDusk } from '../../exchange/demo/index.ts';
import { grownBy } from '../../play/bouts/index.ts';
import { makeWorld } from '../../play/movement/index.ts';
import { literal, type Meetings, type Project } from '../../document/model/index.ts';
import { everyPacer } from '../pacers/index.ts';
import {
  DEFAULT_PRECISION,
  hasBouts,
  isBout,
  LOST_FIGHT,
  MOST_TRIES,
  resolveLevel,
  levelRunner,
  recordedAttempt,
  replayingRunner,
  seedOf,
  TOO_COSTLY,
  travel,
  trialQuestion,
  type GameResult,
  type PreparedGround,
  type Travelled,
} from './index.ts';
import { depth } from '../../testing/index.ts';

/** The demo with meetings in its first level. */
function met(change: Partial<Meetings>, also: (project: Project) => void = () => undefined): Project {
  const project = homeBeforeDusk();
  project.levels['clover-steps']!.meetings = {
    ...{ groups: { captain: 1 }, many: literal(2), mayWithdraw: false, whenLost: 'lost', ...change },
  };
  also(project);
  return project;
}

const steady = (project: Project) => everyPacer(project)[1]!;
const ATTEMPTS = Array.from({ length: depth(40, 12) }, (_, number) => seedOf(number));
const played = (project: Project): GameResult[] => {
  const { play } = levelRunner(resolveLevel(project, 1));
  return ATTEMPTS.map((seed) => play(steady(project), seed));
};

describe('an attempt at a level with fights on the way', () => {
  it('ends with a fight that is lost, where that loses the level', () => {
    const results = played(met({}));
    const lost = results.filter(({ endingRule }) => endingRule === LOST_FIGHT);
    expect(lost.length).toBeGreaterThan(ATTEMPTS.length / 2);
    expect(lost.every(({ won, stars }) => !won && stars === 0)).toBe(true);
    // Nobody loses against one ant.
    expect(played(met({ groups: { ants: 1 } })).filter(({ endingRule }) => endingRule === LOST_FIGHT)).toEqual([]);
  });

  it('is as it is without meetings where they let it go on, and where nobody is met', () => {
    const without = homeBeforeDusk();
    const plain = played(without);
    expect(played(met({ whenLost: 'goOn' }))).toEqual(plain);
    expect(played(met({ many: literal(0) }))).toEqual(plain);
    const question = (project: Project): string =>
      JSON.stringify(trialQuestion(project, 1, steady(project), DEFAULT_PRECISION));
    expect(question(met({ whenLost: 'goOn' }))).toBe(question(without));
    expect(question(met({}))).not.toBe(question(without));
  });

  it('goes on where the party may leave', () => {
    const lostOf = (mayWithdraw: boolean): number =>
      played(met({ mayWithdraw })).filter(({ endingRule }) => endingRule === LOST_FIGHT).length;
    expect(lostOf(true)).toBeLessThan(lostOf(false));
  });

  it('is given up where fights without end cost too much, and meets nobody where nobody goes along', () => {
    const endless = met({ many: literal(100), every: literal(0.1) }, ({ bouts }) => {
      for (const { statistics } of bouts!.fighters) statistics['guard'] = statistics['ward'] = literal(1e8);
      for (const action of bouts!.actions) action.formula = 'max(0, mine(strength) - theirs(guard))';
    });
    expect(new Set(played(endless).map(({ endingRule }) => endingRule))).toEqual(new Set([TOO_COSTLY]));
    const alone = met({}, ({ bouts }) => bouts!.fighters.forEach((fighter) => (fighter.side = 'theirs')));
    expect(played(alone)).toEqual(played(homeBeforeDusk()));
  });

  it('is asked again only where something about the fights has changed, and never because of a name', () => {
    const question = (project: Project): string =>
      JSON.stringify(trialQuestion(project, 1, steady(project), DEFAULT_PRECISION));
    const renamed = met({}, ({ bouts }) => bouts!.fighters.forEach((fighter) => (fighter.name += ' the Old')));
    expect(question(renamed)).toBe(question(met({})));
    const stronger = met(
      {},
      ({ bouts }) => void (bouts!.fighters.find(({ id }) => id === 'wasp-captain')!.statistics['health'] = literal(90)),
    );
    expect(question(stronger)).not.toBe(question(met({})));
  });

  it('is kept and watched as far as it went', () => {
    const project = met({});
    const level = resolveLevel(project, 1);
    if (isBout(level)) throw new Error('A ground was expected.');
    const results = played(project);
    const lost = results.findIndex(({ endingRule }) => endingRule === LOST_FIGHT);
    const recording = recordedAttempt(level, steady(project), ATTEMPTS[lost]!);
    const state = replay(makeWorld(level), recording);
    expect([state.phase, state.tick]).toEqual(['playing', results[lost]!.length]);
    const kept = replayingRunner(level);
    expect(ATTEMPTS.map((seed) => kept.play(steady(project), seed))).toEqual(results);
    const plain: PreparedGround = { ...level };
    delete plain.meetings;
    expect(recordedAttempt(plain, steady(project), ATTEMPTS[lost]!).runs.length).toBeGreaterThan(recording.runs.length);
  });
});

describe('a journey through the sequence', () => {
  const first = (project: Project): Travelled => {
    if (!hasBouts(project)) throw new Error('Bouts were expected.');
    return travel(project, steady(project)).next().value as Travelled;
  };

  it('gives what was won: experience, coins and things by the meetings that there were', () => {
    const project = met({ groups: { ants: 1 }, many: literal(3), every: literal(0.5) });
    const here = first(project);
    // Two ants are 20 experience and 6 coins; a crumb from each with a chance of a quarter.
    expect(here.fought).toBeCloseTo(3 * here.tries, 1);
    expect([here.won, here.coins / here.won]).toEqual([here.fought, 6]);
    expect(here.dropped.get('Crumb')! / here.won).toBeCloseTo(0.5, 10);
    expect(grownBy(project.bouts!, { level: 1, towards: 0 }, 20 * here.won)).toEqual({
      ...{ level: here.level, towards: here.towards },
    });
    // Fights take their time, besides that of the ground.
    const quiet = first(met({ many: literal(0) }));
    expect([quiet.fought, quiet.coins]).toEqual([0, 0]);
    expect(here.seconds / here.tries).toBeGreaterThan(quiet.seconds / quiet.tries);
  });

  it('repeats levels that are not cleared up to a limit, and gains nothing from a lost fight', () => {
    const hopeless = met({ groups: { captain: 1 }, many: literal(3), every: literal(0.5) }, ({ bouts }) => {
      bouts!.fighters.find(({ id }) => id === 'wasp-captain')!.statistics['health'] = literal(1e6);
    });
    const here = first(hopeless);
    expect(here).toMatchObject({ tries: MOST_TRIES, won: 0, coins: 0, level: 1 });
    expect(here.fought).toBe(MOST_TRIES);
  });
});
