import { PLAIN, roundToMultiple, evaluatorOf, type FormulaNode, type RampContext } from '../../document/ramps/index.ts';
import type { PreparedAction, PreparedBout } from './prepared.ts';

/** How much an action does before spread and element: by the statistics of who acts and of who is struck. */
export type Strength = (mine: readonly number[], theirs: readonly number[]) => number;

/**
 * The formula of an action, ready to be worked out many times: not a number where it cannot be read, or comes to none.
 * One formula works on one pair of fighters at a time.
 */
export function strengthOf({ statistics, values, level, levels }: PreparedBout, { formula }: PreparedAction): Strength {
  if (!formula) return () => Number.NaN;
  const run = evaluatorOf(formula);
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
    return run(level, context);
  };
}

/** The keys of the statistics that a formula reads. */
function* statisticsIn(node: FormulaNode): Generator<string> {
  switch (node.is) {
    case 'statistic':
      yield node.name;
      break;
    case 'minus':
      yield* statisticsIn(node.of);
      break;
    case 'operation':
      for (const part of [node.left, node.right]) yield* statisticsIn(part);
      break;
    case 'if':
      for (const part of [node.condition, node.then, node.otherwise]) yield* statisticsIn(part);
      break;
    case 'call':
      for (const part of node.of) yield* statisticsIn(part);
  }
}

/** Which statistics an action's formula reads, by index. */
export function readBy({ statistics }: PreparedBout, { formula }: PreparedAction): number[] {
  const names = new Set(formula ? statisticsIn(formula) : []);
  return statistics.flatMap(({ key }, index) => (names.has(key) ? [index] : []));
}

/**
 * Returns the amount of a strength: spread and element, then to the nearest whole number, as players read them;
 * never below 0, and 0 where it is no number.
 * @param spread factor, 1 for none
 * @param share of it that reaches who is struck
 */
export function amountOf(strength: number, spread: number, share: number): number {
  const amount = roundToMultiple(strength * spread * share, 1);
  return amount > 0 && Number.isFinite(amount) ? amount : 0;
}
