import { parseFormula, PLAIN, roundToMultiple, type RampContext } from '../ramps/index.ts';
import type { PreparedAction, PreparedBout } from './prepared.ts';

/** How much an action does before spread and element: by the statistics of who acts and of who is struck. */
export type Strength = (mine: readonly number[], theirs: readonly number[]) => number;

/**
 * The formula of an action, ready to be worked out many times: not a number where it cannot be read, or comes to none.
 * One formula works on one pair of fighters at a time.
 */
export function strengthOf({ statistics, values, level, levels }: PreparedBout, { formula }: PreparedAction): Strength {
  const parsed = parseFormula(formula);
  if (!parsed.ok) return () => Number.NaN;
  const places = new Map(statistics.map(({ key }, index) => [key, index]));
  let mine: readonly number[] = [];
  let theirs: readonly number[] = [];
  const context: RampContext = {
    ...PLAIN,
    ...{ level, levels },
    parameterAt: (key) => values[key] ?? Number.NaN,
    statistic: (of, name) => (of === 'mine' ? mine : theirs)[places.get(name) ?? -1] ?? Number.NaN,
  };
  return (acts, struck) => {
    mine = acts;
    theirs = struck;
    return parsed.run(level, context);
  };
}

/** Which statistics an action's formula reads, by index. */
export function readBy({ statistics }: PreparedBout, { formula }: PreparedAction): number[] {
  const parsed = parseFormula(formula);
  if (!parsed.ok) return [];
  const names = new Set(parsed.statistics.map(({ name }) => name));
  return statistics.flatMap(({ key }, index) => (names.has(key) ? [index] : []));
}

/**
 * What comes of a strength: spread and element, then to the nearest whole number, as players read them; never below 0, and 0 where it is no number.
 *
 * @param spread factor, 1 for none
 * @param share of it that reaches who is struck
 */
export function amountOf(strength: number, spread: number, share: number): number {
  const amount = roundToMultiple(strength * spread * share, 1);
  return amount > 0 && Number.isFinite(amount) ? amount : 0;
}
