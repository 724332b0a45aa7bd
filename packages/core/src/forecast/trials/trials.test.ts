import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { prepareLevel } from '../../play/movement/index.ts';
import type { PreparedLevel } from '../../play/attempt/index.ts';
import { homeBeforeDusk } from '../../exchange/demo/index.ts';
import { literal } from '../../document/model/index.ts';
import { PERFECT } from '../pacers/index.ts';
import { demoOnGrounds } from '../../testing/index.ts';
import {
  addResult,
  addTally,
  DEFAULT_PRECISION,
  emptyTally,
  forecastOf,
  isPreciseEnough,
  packWins,
  playBatch,
  levelRunner,
  trialQuestion,
  unpackWins,
  type GameResult,
  TOO_COSTLY,
} from './index.ts';
import { statistic } from '../../testing/statistic.ts';

const { pacers } = homeBeforeDusk();
const steady = pacers[1]!;
const gameAt = (position: number) => levelRunner(prepareLevel(demoOnGrounds(), position));
const result = (change: Partial<GameResult>): GameResult => ({
  won: true,
  stars: 2,
  length: 1200,
  starReading: 26,
  endingRule: 0,
  lifeRule: -2,
  livesLeft: 4,
  livesLost: 0,
  worth: 80,
  collected: 10,
  score: 80,
  tallies: [],
  place: { x: 1, y: 1 },
  ...change,
});

describe('a perfect player', () => {
  const positions = homeBeforeDusk().slots.map((_, index) => index + 1);

  it.each(positions.filter((position) => position !== 17))('clears slot %d', (position) => {
    const game = gameAt(position);
    const cleared = [1, 2, 3, 4, 5, 6].filter((seed) => game.play(PERFECT, seed).won);
    expect(cleared.length).toBeGreaterThanOrEqual(4);
  });

  it('cannot clear what asks for more than is placed', () => {
    expect(gameAt(17).play(PERFECT, 1).won).toBe(false);
  });
});

describe('the pacers', () => {
  it('clear a hard level more often where they are much abler', () => {
    const game = gameAt(13);
    const [novice, sharp] = [pacers[0]!, pacers[2]!].map((pacer) => {
      const tally = emptyTally();
      playBatch(game, pacer, 0, 30, tally);
      return tally.cleared;
    });
    expect(novice).toBeLessThan(sharp!);
  });

  statistic('clear a hard level the more often the abler they are', () => {
    const game = gameAt(13);
    const rates = pacers.map((pacer) => {
      const tally = emptyTally();
      playBatch(game, pacer, 0, 120, tally);
      return tally.cleared / tally.attempts;
    });
    expect(rates[0]).toBeLessThan(rates[1]!);
    expect(rates[1]).toBeLessThan(rates[2]!);
  });

  statistic('clear less often what is made harder', () => {
    const rate = (speed: number) => {
      const project = homeBeforeDusk();
      project.kinds.enemies[0]!.speed = literal(speed);
      const tally = emptyTally();
      playBatch(levelRunner(prepareLevel(project, 13)), steady, 0, 120, tally);
      return tally.cleared;
    };
    expect(rate(3.6)).toBeLessThan(rate(2) - 10);
  });

  it('play the same attempt again from the same seed', () => {
    const game = gameAt(9);
    expect(game.play(steady, 77)).toEqual(game.play(steady, 77));
  });

  it('play batches that add up to one run of attempts', () => {
    const game = gameAt(3);
    const [whole, parts] = [emptyTally(), emptyTally()];
    playBatch(game, steady, 0, 30, whole);
    playBatch(game, steady, 0, 10, parts);
    playBatch(game, steady, 10, 20, parts);
    expect(parts).toEqual(whole);
  });
});

describe('a game', () => {
  it('takes up what a run carries into it and tells what goes back into the run', () => {
    const game = gameAt(9);
    const plain = game.play(steady, 5);
    const carried = game.play(steady, 5, { lives: 1, score: 500, tries: 3 });
    expect(carried.score - carried.worth).toBeGreaterThanOrEqual(500);
    expect(carried.livesLeft).toBeLessThanOrEqual(1);
    expect(plain.livesLeft + plain.livesLost).toBe(4);
    expect(plain.place).not.toBeNull();
  });

  it('of rounds, without a ground, is tallied too', () => {
    const tally = emptyTally();
    addResult(tally, result({ length: 720, rounds: 3, place: null }));
    addResult(tally, result({ won: false, length: 420, rounds: 7, place: null }));
    expect([tally.times, tally.rounds, tally.lostAt]).toEqual([[12], [3], []]);
    expect(forecastOf(tally).medianRounds).toBe(3);
  });
});

describe('a forecast', () => {
  it('reads a tally', () => {
    const tally = emptyTally();
    for (const seconds of [10, 20, 40]) addResult(tally, result({ length: seconds * 60, starReading: 50 - seconds }));
    addResult(tally, result({ won: false, endingRule: 1, lifeRule: 2 }));
    const forecast = forecastOf(tally);
    expect(forecast).toMatchObject({
      attempts: 4,
      clearRate: 0.75,
      medianSeconds: 20,
      starReadings: [10, 30, 40],
      endings: [{ rule: 1, lifeRule: 2, count: 1 }],
    });
    expect(forecast.stars).toEqual([0, 0, 3, 0, 0, 0]);
    expect(forecast.triesToClear).toBeCloseTo(4 / 3, 12);
  });

  it('of nothing is empty, not broken', () => {
    expect(forecastOf(emptyTally())).toMatchObject({
      attempts: 0,
      clearRate: 0,
      medianSeconds: null,
      triesToClear: null,
    });
  });

  it('stays finite without a clock', () => {
    const tally = emptyTally();
    addResult(tally, result({ starReading: Number.POSITIVE_INFINITY }));
    expect(forecastOf(tally).starReadings).toEqual([]);
  });
});

describe('the stopping rule', () => {
  // Half-widths of the score interval: 0.0300 at 1,060 of 50 %, 0.0295 at 400 of 90 %. Looked at every 20 attempts, from 240 on.
  it.each([
    [30, 30, false],
    [220, 220, false],
    [240, 240, true],
    [245, 245, false],
    [400, 360, true],
    [390, 351, false],
    [300, 150, false],
    [1080, 540, true],
    [1065, 532, false],
    [1200, 600, true],
  ])('after %d attempts with %d cleared says %s', (attempts, cleared, expected) => {
    expect(isPreciseEnough({ attempts, cleared }, DEFAULT_PRECISION)).toBe(expected);
  });
});

describe('the question', () => {
  const text = (change: (project: ReturnType<typeof homeBeforeDusk>) => void) => {
    const project = homeBeforeDusk();
    change(project);
    return JSON.stringify(trialQuestion(project, 7, steady, DEFAULT_PRECISION));
  };
  const before = text(() => undefined);

  it.each([
    [
      'a new name',
      (p: ReturnType<typeof homeBeforeDusk>) => (p.levels['lavender-bank']!.name = 'Bank of Lavender'),
      true,
    ],
    [
      'an edit at another level',
      (p: ReturnType<typeof homeBeforeDusk>) => (p.levels['clover-steps']!.clock.limitSeconds = null),
      true,
    ],
    [
      'another warning of the clock',
      (p: ReturnType<typeof homeBeforeDusk>) => (p.levels['lavender-bank']!.clock.warnAtSeconds = literal(3)),
      true,
    ],
    ['a pin at another slot', (p: ReturnType<typeof homeBeforeDusk>) => (p.parameters[0]!.pins['slot-9'] = 4), true],
    ['a pin here', (p: ReturnType<typeof homeBeforeDusk>) => (p.parameters[0]!.pins['slot-7'] = 4), false],
    [
      'a threshold here',
      (p: ReturnType<typeof homeBeforeDusk>) =>
        (p.levels['lavender-bank']!.stars = {
          is: 'ladder',
          reading: 'timeLeft',
          direction: 'atLeast',
          thresholds: [literal(3)],
        }),
      false,
    ],
  ])('after %s is the same: %s', (_case, change, same) => {
    expect(text(change) === before).toBe(same);
  });
});

describe('which attempts were won', () => {
  it.each([
    [[], ''],
    [[true], '8'],
    [[true, false, true, true, false, true], 'b4'],
  ])('%j is packed as %s', (won, packed) => {
    expect(packWins(won)).toBe(packed);
  });

  it('is packed and unpacked again', () => {
    fc.assert(
      fc.property(fc.array(fc.boolean(), { maxLength: 300 }), (won) => {
        expect(unpackWins(packWins(won), won.length)).toEqual(won);
      }),
    );
  });

  it('is the same before and after an edit that only judges otherwise, but for those that it decides', () => {
    const project = homeBeforeDusk();
    const play = () => {
      const { level, population } = trialQuestion(project, 9, steady, DEFAULT_PRECISION);
      const tally = emptyTally();
      playBatch(levelRunner(level), population, 0, 40, tally);
      return { motion: JSON.stringify((level as PreparedLevel).motion), wins: tally.wins };
    };
    const before = play();
    project.run.livesAtStart = { from: 'number', value: 9 };
    const after = play();
    expect(after.motion).toBe(before.motion);
    // More lives never lose what fewer had won.
    before.wins.forEach((won, index) => expect(!won || after.wins[index]).toBe(true));
    expect(after.wins.filter((won) => won).length).toBeGreaterThan(before.wins.filter((won) => won).length);
  });
});

describe('parts of a ground', () => {
  it('are counted: how often they were come to, and what was lost on them', () => {
    const game = levelRunner(prepareLevel(homeBeforeDusk(), 21));
    const tally = emptyTally();
    playBatch(game, homeBeforeDusk().pacers[0]!, 0, 12, tally);
    const { parts = [] } = forecastOf(tally);
    expect(parts).toHaveLength(24);
    const lost = parts.reduce((sum, part) => sum + part.lost, 0);
    expect(lost + tally.lostAt.length / 2).toBe(tally.attempts - tally.cleared);
    for (const { entered, lost: here, lostAt } of parts) {
      expect(lostAt).toHaveLength(here * 2);
      expect(entered).toBeGreaterThanOrEqual(here);
    }
    const twice = emptyTally();
    for (const batch of [tally, tally]) addTally(twice, batch);
    expect(twice.parts?.map(({ entered }) => entered)).toEqual(parts.map(({ entered }) => entered * 2));
  });
});

describe('a level that costs much', () => {
  it('is given up sooner than others, and says that nobody won', () => {
    const project = homeBeforeDusk();
    const level = project.levels['clover-steps']!;
    const nest = project.levels['home-before-dusk']!.ground.pieces.find(({ piece }) => piece === 'spawner')!;
    level.rules = [];
    level.clock.limitSeconds = null;
    project.standing = [];
    for (const other of Object.values(project.levels)) other.standingRulesOff = [];
    for (let i = 0; i < 20; i++)
      level.ground.pieces.push({ ...nest, id: `swarm-${i}`, starts: 'load', howMany: literal(60) } as typeof nest);
    const { won, length, endingRule } = levelRunner(prepareLevel(project, 1)).play(PERFECT, 1);
    expect(won).toBe(false);
    expect(endingRule).toBe(TOO_COSTLY);
    expect(length).toBeLessThanOrEqual(300);
  }, 20_000);
});
