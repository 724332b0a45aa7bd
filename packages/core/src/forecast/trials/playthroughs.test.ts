import { beforeAll, describe, expect, it } from '@jest/globals';
import { homeBeforeDusk } from '../../exchange/demo/index.ts';
import { literal, type Pacer, type Project } from '../../document/model/index.ts';
import { drawPlayer } from '../pacers/index.ts';
import { drawAt } from '../../basics/random/index.ts';
import { differenceOf } from '../../basics/stats/index.ts';
import { isThorough } from '../../testing/index.ts';
import {
  DEFAULT_PRECISION,
  durations,
  emptyTally,
  forecastOf,
  MOST_RECORDS,
  playBatch,
  reachedShare,
  levelRunner,
  playthroughsOf,
  seedOf,
  trialQuestion,
  type AttemptRow,
  type AttemptRecords,
} from './index.ts';

/** The demo with only some of its slots, in one tier. */
function only(...positions: number[]): Project {
  const project = homeBeforeDusk();
  project.slots = positions.map((position) => project.slots[position - 1]!);
  project.tiers = project.tiers.slice(0, 1);
  project.expectations = [];
  return project;
}

/** An attempt as it is booked: won or lost, with stars, 20 seconds, and lives lost. */
const row = (won: boolean, { stars = won ? 2 : 0, livesLost = 0 } = {}): AttemptRow => [
  ...[won ? 1 : 0, stars, 20, 100, 5, livesLost],
  ...[won ? 4 : 0, livesLost > 0 ? 1 : -2, -1, 0],
];
const rows = (wins: number, of = 200, more = {}): AttemptRow[] =>
  Array.from({ length: of }, (_, index) => row((index * 7) % of < wins, more));
const known = (project: Project, ...each: AttemptRow[][]): AttemptRecords =>
  new Map(project.slots.map(({ id }, index) => [id, each[index] ?? each[0]!]));

describe('runs through a sequence', () => {
  const pacer = (change: Partial<Pacer> = {}): Pacer => ({ ...homeBeforeDusk().pacers[1]!, ...change });
  const played = (project: Project, books: AttemptRecords, who = pacer(), count = 200) => {
    const runs = playthroughsOf(project, who, books);
    runs.play(count);
    return runs.read();
  };

  it('go through where everybody clears everything, one attempt a slot', () => {
    const project = only(1, 2, 5);
    const funnel = played(project, known(project, rows(200)));
    expect(funnel).toMatchObject({ runs: 200, through: 200, played: 0 });
    expect(funnel.slots.map(({ reached, tries }) => [reached, tries])).toEqual([
      [200, 200],
      [200, 200],
      [200, 200],
    ]);
    expect(durations(funnel, [0.5])).toEqual([60]);
    expect(funnel.stars).toEqual(Array.from({ length: 200 }, () => 6));
  });

  it('take as many tries as the clear rate says, and end where a player gives up', () => {
    const project = only(1, 2);
    const half = known(project, rows(100), rows(200));
    const patient = played(project, half, pacer({ persistence: 100 }));
    expect(patient.through).toBe(200);
    expect(patient.slots[0]!.tries / 200).toBeGreaterThan(1.7);
    expect(patient.slots[0]!.tries / 200).toBeLessThan(2.4);
    // Half of them lose the first try, and that is enough.
    const hasty = played(project, half, pacer({ persistence: 1 }));
    const { share, interval } = reachedShare(hasty, hasty.slots[1]!);
    expect(hasty.slots[0]!.stopped).toEqual({ 'gave up': 200 - hasty.slots[1]!.reached });
    expect(share).toBeGreaterThan(0.38);
    expect(share).toBeLessThan(0.62);
    expect(interval.high - interval.low).toBeLessThan(0.15);
  });

  it('wait at a gate of stars that cannot be earned', () => {
    const project = only(1, 2);
    project.slots[1]!.starGate = literal(3);
    const funnel = played(project, known(project, rows(200)), pacer({ persistence: 4 }), 50);
    expect(funnel.slots[0]!.stopped).toEqual({ gate: 50 });
    expect(funnel.slots[1]!.reached).toBe(0);
  });

  it('play again what would have ended otherwise with the lives that are left', () => {
    const project = only(1, 2);
    // Three lives go at the first level: at the second one is left, where three were lost, too.
    const costly = rows(200, 200, { livesLost: 3 });
    const funnel = played(project, known(project, costly), pacer(), 20);
    expect(funnel.played).toBeGreaterThan(0);
    expect(funnel.slots[0]!.livesLost[1]).toBeGreaterThanOrEqual(60);
  });

  it('leave the weakest players as weak as they are: who never wins is not evened out by the others', () => {
    const project = only(1, 2);
    const who = pacer({ spread: 0.4, persistence: 4 });
    // Certain at the usual reaction time, and rarer with every part of it more.
    const chance = (seed: number): number => {
      const late = drawPlayer(who, seed).reactionMs / who.abilities.reactionMs - 1;
      return Math.max(0, Math.min(1, 1 - 1.2 * late));
    };
    const books = Array.from({ length: MOST_RECORDS }, (_, number) => {
      const seed = seedOf(number);
      return row(drawAt(seed, 1, 1) < chance(seed));
    });
    const count = 4000;
    const expected = Array.from({ length: count }, (_, index) => (1 - chance(seedOf(index + 1000))) ** 4);
    const share = expected.reduce((sum, each) => sum + each, 0) / count;
    const funnel = played(project, known(project, books), who, count);
    const stopped = (funnel.slots[0]!.stopped['gave up'] ?? 0) / count;
    expect(stopped / share).toBeGreaterThan(0.85);
    expect(stopped / share).toBeLessThan(1.15);
  });

  it('stop at a level of which nothing is known', () => {
    const project = only(1, 2);
    const funnel = played(project, new Map([['slot-1', rows(200)]]), pacer(), 10);
    expect(funnel.slots[1]!.stopped).toEqual({ unknown: 10 });
  });
});

describe('runs drawn from what is known', () => {
  const project = isThorough ? only(2, 5, 9) : only(2);
  const novice = project.pacers[0]!;
  let books: AttemptRecords;
  beforeAll(() => {
    books = new Map(
      project.slots.map(({ id }, index) => {
        const { level, population } = trialQuestion(project, index + 1, novice, DEFAULT_PRECISION);
        const tally = emptyTally();
        playBatch(levelRunner(level), population, 0, MOST_RECORDS + 20, tally);
        const { booked } = forecastOf(tally);
        expect(booked).toHaveLength(MOST_RECORDS);
        return [id, booked!];
      }),
    );
  }, 120_000);

  it('come to the same as runs that are played through', () => {
    const [drawn, through] = [
      playthroughsOf(project, novice, books),
      playthroughsOf(project, novice, books, { through: true }),
    ];
    drawn.play(400);
    through.play(80);
    const [one, other] = [drawn.read(), through.read()];
    one.slots.forEach((slot, index) => {
      const beside = other.slots[index]!;
      const { low, high } = differenceOf(
        { successes: slot.reached, trials: one.runs },
        { successes: beside.reached, trials: other.runs },
      );
      // Three of them at 95 %: a little room.
      expect(low - 0.02).toBeLessThanOrEqual(0);
      expect(high + 0.02).toBeGreaterThanOrEqual(0);
      expect(slot.tries / slot.reached / (beside.tries / beside.reached)).toBeGreaterThan(0.75);
      expect(slot.tries / slot.reached / (beside.tries / beside.reached)).toBeLessThan(1.33);
    });
  }, 120_000);
});
