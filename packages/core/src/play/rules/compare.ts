import type { Comparison } from '../../document/model/index.ts';

export const COMPARISON_WORDS: { readonly [C in Comparison]: string } = {
  atLeast: 'is at least',
  moreThan: 'is more than',
  atMost: 'is at most',
  lessThan: 'is less than',
  exactly: 'is exactly',
  not: 'is not',
};

/** The comparisons as JsonLogic and most languages write them. */
export const COMPARISON_SIGNS: { readonly [C in Comparison]: string } = {
  atLeast: '>=',
  moreThan: '>',
  atMost: '<=',
  lessThan: '<',
  exactly: '==',
  not: '!=',
};

/** Readings in seconds are whole ticks times 1/60: closer than this they are the same number. */
const SAME = 1e-9;

/** Does the comparison hold between a reading and its amount? Equality forgives binary noise below 1e-9. */
export function compare(comparison: Comparison, reading: number, amount: number): boolean {
  switch (comparison) {
    case 'atLeast':
      return reading >= amount - SAME;
    case 'moreThan':
      return reading > amount + SAME;
    case 'atMost':
      return reading <= amount + SAME;
    case 'lessThan':
      return reading < amount - SAME;
    case 'exactly':
      return Math.abs(reading - amount) <= SAME;
    case 'not':
      return Math.abs(reading - amount) > SAME;
  }
}
