import type { Amount, Comparison, Condition } from '../../document/model/index.ts';
import { readingDefinition, type Leaf } from '../../play/rules/index.ts';
import { between, complement, intersection, NOTHING, only, union, EVERYTHING, type NumberSet } from './intervals.ts';

/** The numbers of amounts where they are known for sure; undefined where they may change or are not known. */
export type NumberOf = (amount: Amount) => number | undefined;

/** The values of each reading with which a condition may hold, by the reading as text. A reading that is missing may have any value. */
export type Needs = ReadonlyMap<string, NumberSet>;

/** Name of a reading in a normal form. */
export const keyOfReading = (reading: Leaf['reading']): string => JSON.stringify(reading);

const END = Number.POSITIVE_INFINITY;

const SETS: Record<Comparison, (value: number) => NumberSet> = {
  atLeast: (value) => between(value, END),
  moreThan: (value) => between(value, END, false),
  atMost: (value) => between(-END, value),
  lessThan: (value) => between(-END, value, true, false),
  exactly: only,
  not: (value) => complement(only(value)),
};

/** The values of a reading that is on or off. */
const SWITCH: NumberSet = [...only(0), ...only(1)];

/** Returns the values of its reading with which a leaf holds; undefined where its amount is not known. */
export function valuesOf(leaf: Leaf, number: NumberOf): NumberSet | undefined {
  if (leaf.is === 'onOff') return only(leaf.on ? 1 : 0);
  const value = number(leaf.amount);
  if (value === undefined) return undefined;
  const set = SETS[leaf.comparison](value);
  return readingDefinition(leaf.reading).unit === 'on/off' ? intersection(set, SWITCH) : set;
}

/** Needs of a condition about which nothing is known. */
const UNKNOWN: Needs = new Map();
/** Needs of a condition that can never hold. */
const NEVER: Needs = new Map([['never', NOTHING]]);

/** Returns the needs of several conditions together. */
function allOf(all: readonly Needs[]): Needs {
  const joined = new Map<string, NumberSet>();
  for (const needs of all)
    for (const [key, set] of needs) joined.set(key, intersection(joined.get(key) ?? EVERYTHING, set));
  return joined;
}

/** Returns the needs that all of several alternatives have. */
function anyOf(all: readonly Needs[]): Needs {
  if (all.length === 0) return UNKNOWN;
  // An alternative that can never hold leaves the others as they are.
  const possible = all.filter(isPossible);
  const shared = [...(possible[0]?.keys() ?? [])].filter((key) => possible.every((needs) => needs.has(key)));
  if (possible.length === 0) return NEVER;
  return new Map(shared.map((key) => [key, possible.map((needs) => needs.get(key) ?? NOTHING).reduce(union)]));
}

/** May a condition with these needs hold at some time? */
export const isPossible = (needs: Needs): boolean => [...needs.values()].every((set) => set.length > 0);

/** Returns the values that readings need while a condition holds, its groups flattened. @param not for the condition's opposite */
export function needsOf(condition: Condition, number: NumberOf, not = false): Needs {
  if (!('of' in condition)) {
    const set = valuesOf(condition, number);
    // The opposite of “held for a while” says nothing about a single moment.
    if (!set || (not && condition.heldSeconds !== undefined)) return UNKNOWN;
    return new Map([[keyOfReading(condition.reading), not ? complement(set) : set]]);
  }
  const { is, of } = condition;
  const parts = (opposite: boolean): Needs[] => of.map((part) => needsOf(part, number, opposite));
  const all = (opposite: boolean): Needs => allOf(parts(opposite));
  const any = (opposite: boolean): Needs => anyOf(parts(opposite));
  switch (is) {
    case 'all':
      return not ? any(true) : all(false);
    case 'any':
      return not ? all(true) : any(false);
    case 'none':
      return not ? any(false) : all(true);
    case 'atLeast': {
      const count = condition.count ? number(condition.count) : 1;
      if (count === undefined || count <= 0) return UNKNOWN;
      if (count <= 1) return not ? all(true) : any(false);
      if (count > of.length) return not ? UNKNOWN : NEVER;
      if (count === of.length) return not ? any(true) : all(false);
      return UNKNOWN;
    }
    // Each has held at some time: they need not hold together.
    case 'inOrder':
      return UNKNOWN;
  }
}

/** Returns the one reading that a condition is about and exactly the values with which it holds; undefined for a condition about more, or one that takes time. */
export function aboutOneReading(condition: Condition, number: NumberOf): { key: string; set: NumberSet } | undefined {
  const isExact = (part: Condition): boolean =>
    'of' in part
      ? part.is !== 'inOrder' && part.of.length > 0 && part.of.every(isExact) && isKnownGroup(part, number)
      : part.heldSeconds === undefined && valuesOf(part, number) !== undefined;
  if (!isExact(condition)) return undefined;
  const [entry, ...others] = needsOf(condition, number);
  if (!entry || others.length > 0 || readingsIn(condition).size > 1) return undefined;
  return { key: entry[0], set: entry[1] };
}

const isKnownGroup = (group: Extract<Condition, { of: unknown }>, number: NumberOf): boolean => {
  if (group.is !== 'atLeast') return true;
  const count = group.count ? number(group.count) : 1;
  return count !== undefined && (count === 1 || count === group.of.length);
};

function readingsIn(condition: Condition): Set<string> {
  return 'of' in condition
    ? new Set(condition.of.flatMap((part) => [...readingsIn(part)]))
    : new Set([keyOfReading(condition.reading)]);
}
