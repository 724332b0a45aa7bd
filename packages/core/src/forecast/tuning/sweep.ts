import type { Project } from '../../document/model/index.ts';
import { valuesAt, type Values } from '../../document/ramps/index.ts';
import { localShare, type Interval } from '../../basics/stats/index.ts';
import { searchOf, type Search, type Pending } from './search.ts';
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
  /** Least number of attempts at any point until now. */
  least: number;
}

/** Attempts at each point: about ±5 points at 80 %. */
export const SWEEP_ATTEMPTS = 240;
const BATCH = 10;
/** Number of points that are requested together. */
const TOGETHER = 8;

/** Values evenly over a range; whole ones where only those are meant. */
export function sweptValues(from: number, to: number, count: number, whole: boolean): number[] {
  const even = Array.from({ length: count }, (_, index) => from + ((to - from) * index) / Math.max(1, count - 1));
  return [...new Set(even.map((value) => (whole ? Math.round(value) : Number(value.toPrecision(4)))))];
}

/** Tries levels with one or two parameters set to values over a range, everywhere in turn. Slots share seeds, so that values differ by what they do. */
export function sweepOver(project: Project, { axes, positions }: SweepAsked): Search<Sweep> {
  const [first, second] = axes;
  const places = (first?.values ?? []).flatMap((_, one) =>
    second ? second.values.map((__, other) => [one, other]) : [[one]],
  );
  const points = positions.flatMap((position) =>
    project.levels[project.slots[position - 1]?.levelId ?? '']
      ? places.map((at): SweepPoint => ({ position, at, attempts: 0, cleared: 0 }))
      : [],
  );
  const valuesOf = ({ position, at }: SweepPoint): Values => {
    const values = { ...valuesAt(project, position) };
    axes.forEach(({ key, values: along }, axis) => (values[key] = along[at[axis] as number] as number));
    return values;
  };
  const batchAt = (point: SweepPoint): Pending => ({
    batch: { position: point.position, values: valuesOf(point), from: point.attempts, count: BATCH },
    note({ successes }) {
      point.attempts += BATCH;
      point.cleared += successes;
    },
  });
  function* rounds(): Generator<readonly Pending[]> {
    for (let each = 0; each < SWEEP_ATTEMPTS; each += BATCH)
      for (let at = 0; at < points.length; at += TOGETHER) yield points.slice(at, at + TOGETHER).map(batchAt);
  }
  return searchOf(rounds(), () => ({
    points: points.map((point) => ({ ...point })),
    least: points.length === 0 ? 0 : Math.min(...points.map(({ attempts }) => attempts)),
  }));
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
