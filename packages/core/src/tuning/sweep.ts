import type { Project } from '../model/index.ts';
import type { Population } from '../pacers/index.ts';
import { valuesAt } from '../ramps/index.ts';
import { localShare, type Interval } from '../stats/index.ts';
import { prepareGame, readyGame, seedOf, type ReadyGame } from '../trials/index.ts';
import { odds } from './odds.ts';

/** One parameter over a range. */
export interface SweepAxis {
  key: string;
  /** In order. */
  values: readonly number[];
}

export interface SweepAsked {
  /** One parameter, or two. */
  axes: readonly SweepAxis[];
  /** Positions, from 1. */
  positions: readonly number[];
}

/** Attempts with the parameters set to values. */
export interface SweepPoint {
  position: number;
  /** Index of the value on each axis. */
  at: readonly number[];
  attempts: number;
  cleared: number;
}

export interface Sweep {
  points: readonly SweepPoint[];
  /** Attempts at each point so far, at least. */
  least: number;
}

export interface Sweeping {
  /** Plays the next batch, everywhere in turn. */
  next(): void;
  read(): Sweep;
}

const BATCH = 10;
const MOST_GAMES = 400;

/** Values evenly over a range; whole ones where only those are meant. */
export function sweptValues(from: number, to: number, count: number, whole: boolean): number[] {
  const even = Array.from({ length: count }, (_, index) => from + ((to - from) * index) / Math.max(1, count - 1));
  return [...new Set(even.map((value) => (whole ? Math.round(value) : Number(value.toPrecision(4)))))];
}

/** Tries levels with one or two parameters set to values over a range. Slots share seeds, so that values differ by what they do. */
export function sweepOver(project: Project, population: Population, { axes, positions }: SweepAsked): Sweeping {
  const [first, second] = axes;
  const places = (first?.values ?? []).flatMap((_, one) =>
    second ? second.values.map((__, other) => [one, other]) : [[one]],
  );
  const points = positions.flatMap((position) =>
    project.levels[project.slots[position - 1]?.levelId ?? '']
      ? places.map((at) => ({ position, at, attempts: 0, cleared: 0 }))
      : [],
  );
  const games = new Map<number, ReadyGame>();
  let next = 0;
  function gameAt(index: number): ReadyGame {
    const before = games.get(index);
    if (before) return before;
    const { position, at } = points[index] as SweepPoint;
    const values = { ...valuesAt(project, position) };
    axes.forEach(({ key, values: along }, axis) => (values[key] = along[at[axis] as number] as number));
    const game = readyGame(prepareGame(project, position, values));
    if (games.size < MOST_GAMES) games.set(index, game);
    return game;
  }
  return {
    next() {
      const point = points[next];
      if (!point) return;
      const game = gameAt(next);
      for (let i = 0; i < BATCH; i++) if (game.play(population, seedOf(point.attempts + i)).won) point.cleared++;
      point.attempts += BATCH;
      next = (next + 1) % points.length;
    },
    read: () => ({ points, least: points.length === 0 ? 0 : Math.min(...points.map(({ attempts }) => attempts)) }),
  };
}

/** The clear rates of one level along one parameter, smoothed over near values, with bands; in the order of the values. */
export function smoothedRates(
  points: readonly SweepPoint[],
  values: readonly number[],
): { value: number; share: number; interval: Interval }[] {
  const counted = points.map(({ at, attempts, cleared }) => ({
    at: values[at[0] as number] as number,
    trials: attempts,
    successes: cleared,
  }));
  const width = (2.2 * Math.abs((values.at(-1) ?? 1) - (values[0] ?? 0))) / Math.max(1, values.length - 1);
  return values.flatMap((value) => {
    const local = localShare(counted, value, width || 1, odds);
    return local ? [{ value, ...local }] : [];
  });
}
