import { evictOldest } from '../../basics/memo/index.ts';
import type { Project } from '../../document/model/index.ts';
import type { Population } from '../pacers/index.ts';
import type { Values } from '../../document/ramps/index.ts';
import type { Counted } from '../../basics/stats/index.ts';
import { resolveLevel, levelRunner, seedOf, type LevelRunner } from '../trials/index.ts';
import { CLEARED, meets, type Goal } from './goal.ts';

/** Attempts at one level with one set of values; those of different batches may be played anywhere, in any order. */
export interface Batch {
  /** From 1; there must be a level. */
  position: number;
  values: Values;
  /** Address of the first attempt. */
  from: number;
  count: number;
}

/** A search by attempts. It depends on the results of its batches alone: given the same results again, it continues from there. */
export interface Search<Found> {
  /** Returns the batches to play next; none once the search is done. */
  due(): readonly Batch[];
  /** Continues with results. @param came the result of each batch, in the order of `due` */
  take(came: readonly Counted[]): void;
  read(): Found;
}

/** A batch, and the use of its result. */
export interface Pending {
  batch: Batch;
  note: (came: Counted) => void;
}

/** Makes a search from its rounds: every round waits for the results of the batches before. */
export function searchOf<Found>(rounds: Iterator<readonly Pending[]>, read: () => Found): Search<Found> {
  let pending: readonly Pending[] = [];
  function goOn(): void {
    pending = [];
    while (pending.length === 0) {
      const { done, value } = rounds.next();
      if (done) return;
      pending = value;
    }
  }
  goOn();
  return {
    due: () => pending.map(({ batch }) => batch),
    take(came) {
      pending.forEach(({ note }, index) => note(came[index] ?? { successes: 0, trials: 0 }));
      goOn();
    },
    read,
  };
}

/** Levels kept ready, each with its values. */
const MOST_GAMES = 200;

export type BatchPlayer = (batch: Batch) => Counted;

/**
 * Plays batches.
 *
 * @param goal what counts as a success; without one, clearing the level
 * @returns of the attempts that say something about the goal, how many met it
 */
export function batchPlayer(project: Project, population: Population, goal: Goal = CLEARED): BatchPlayer {
  const games = new Map<string, LevelRunner>();
  return ({ position, values, from, count }) => {
    const place = `${position} ${JSON.stringify(values)}`;
    const game = games.get(place) ?? levelRunner(resolveLevel(project, position, values));
    games.set(place, game);
    evictOldest(games, MOST_GAMES);
    const came = { successes: 0, trials: 0 };
    for (let i = 0; i < count; i++) {
      const met = meets(goal, game.play(population, seedOf(from + i)));
      if (met === undefined) continue;
      came.trials++;
      if (met) came.successes++;
    }
    return came;
  };
}

/** Splits a batch into parts of at most `most` attempts, for several workers: the results of the parts add up to its result. */
export function partsOf(batch: Batch, most: number): Batch[] {
  const parts: Batch[] = [];
  for (let done = 0; done < batch.count; done += most)
    parts.push({ ...batch, from: batch.from + done, count: Math.min(most, batch.count - done) });
  return parts;
}

/** Plays all that an search asks for, one batch after another. */
export function answered<Found>(search: Search<Found>, play: BatchPlayer): Found {
  for (let due = search.due(); due.length > 0; due = search.due()) search.take(due.map(play));
  return search.read();
}
