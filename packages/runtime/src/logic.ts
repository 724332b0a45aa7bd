import type { HandedCondition, Memory } from '@stadion/core/exchange/formats';
import { COMPARISON_SIGNS, type ResolvedCondition } from '@stadion/core/play/rules';

type Comparison = Extract<ResolvedCondition, { is: 'compare' }>['comparison'];
type ReadingName = Extract<ResolvedCondition, { is: 'compare' }>['reading'];

const COMPARISONS = Object.fromEntries(
  Object.entries(COMPARISON_SIGNS).map(([comparison, sign]) => [sign, comparison as Comparison]),
);

/** Values of the names in a condition. */
export interface Meanings {
  reading(name: string): { reading: ReadingName; subject: number };
  dial(parameter: string): number;
}

const isRecord = (value: unknown): value is Record<string, unknown> =>
  value !== null && typeof value === 'object' && !Array.isArray(value);

const variable = (logic: unknown): string | undefined =>
  isRecord(logic) && typeof logic['var'] === 'string' ? logic['var'] : undefined;

/** Reads the JsonLogic of a hand-off back into conditions, with what stands beside it. @throws Error for what no hand-off holds */
export function readCondition({ when, memory = [] }: HandedCondition, meanings: Meanings): ResolvedCondition {
  const memoizeByObject = new Map(memory.map((entry) => [entry.at.join('.'), entry]));
  return read(when, [], memoizeByObject, meanings);
}

function read(
  logic: unknown,
  at: number[],
  memoizeByObject: Map<string, Memory>,
  meanings: Meanings,
): ResolvedCondition {
  const id = at.join('.');
  const mine = memoizeByObject.get(id);
  const all = (list: unknown): ResolvedCondition[] =>
    (list as unknown[]).map((each, index) => read(each, [...at, index], memoizeByObject, meanings));
  const heldTicks = Math.round((mine?.heldSeconds ?? 0) * 60);
  const onOff = (name: string, on: boolean): ResolvedCondition => ({
    id,
    is: 'onOff',
    ...meanings.reading(name),
    on,
    heldTicks,
  });
  if (logic === true) return { id, is: mine?.inOrder ? 'inOrder' : 'all', of: [] };
  if (logic === false) return { id, is: 'any', of: [] };
  const [operator, operands] = isRecord(logic) ? (Object.entries(logic)[0] ?? []) : [];
  const [first, second] = Array.isArray(operands) ? operands : [];
  const name = variable(first);
  if (operator === 'and') return { id, is: mine?.inOrder ? 'inOrder' : 'all', of: all(operands) };
  if (operator === 'or') return { id, is: 'any', of: all(operands) };
  if (operator === '!!' && name !== undefined) return onOff(name, true);
  if (operator === '!' && name !== undefined) return onOff(name, false);
  if (operator === '!' && isRecord(first) && Array.isArray(first['or']))
    return { id, is: 'none', of: all(first['or']) };
  if (operator === '>=' && name === undefined && typeof second === 'number') {
    const terms = isRecord(first) && Array.isArray(first['+']) ? first['+'] : [];
    const of = terms.map((term) => (isRecord(term) && Array.isArray(term['if']) ? (term['if'][0] as unknown) : term));
    return { id, is: 'atLeast', count: second, of: all(of) };
  }
  const comparison = operator === undefined ? undefined : COMPARISONS[operator];
  if (comparison === undefined || name === undefined || typeof second !== 'number')
    throw new Error(`This condition is not one of a hand-off: ${JSON.stringify(logic)}`);
  return {
    id,
    is: 'compare',
    ...meanings.reading(name),
    comparison,
    amount: second,
    heldTicks,
    ...(mine?.follows ? { live: liveOf(mine.follows, meanings) } : {}),
  };
}

/** A number that follows a parameter, as the judge has it. */
export function liveOf(
  { parameter, ...rest }: NonNullable<Memory['follows']>,
  { dial }: Pick<Meanings, 'dial'>,
): NonNullable<Extract<ResolvedCondition, { is: 'compare' }>['live']> {
  return {
    dial: dial(parameter),
    times: rest.times,
    plus: rest.plus,
    ...(rest.of === undefined ? {} : { of: rest.of }),
  };
}
