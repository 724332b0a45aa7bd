import { pointerOf, type Condition } from '../../model/index.ts';
import { conditionInWords, eachCondition, liveAmount, type Leaf } from '../../rules/index.ts';
import { toldHere } from '../conditions.ts';
import type { Check, Found } from '../finding.ts';
import type { SlotFacts } from '../scopes.ts';

interface Part {
  leaf: Leaf;
  index: number;
}

/** Between which values a reading lies while a comparison holds; open ends are a little inside. */
function span(leaf: Leaf, here: SlotFacts): { low: number; high: number } | undefined {
  if (leaf.is === 'onOff') return leaf.on ? { low: 1, high: 1 } : { low: 0, high: 0 };
  if (liveAmount(leaf.amount, here.resolving)) return undefined;
  const value = here.number(leaf.amount);
  const ENDLESS = Number.POSITIVE_INFINITY;
  const LITTLE = 1e-9;
  switch (leaf.comparison) {
    case 'atLeast':
      return { low: value, high: ENDLESS };
    case 'moreThan':
      return { low: value + LITTLE, high: ENDLESS };
    case 'atMost':
      return { low: -ENDLESS, high: value };
    case 'lessThan':
      return { low: -ENDLESS, high: value - LITTLE };
    case 'exactly':
      return { low: value, high: value };
    case 'not':
      return undefined;
  }
}

/** Two conditions of one group that cannot hold at once. */
function excluding(parts: readonly Part[], here: SlotFacts): [Part, Part] | undefined {
  const spans = parts.map((part) => ({ part, of: JSON.stringify(part.leaf.reading), span: span(part.leaf, here) }));
  for (const one of spans)
    for (const other of spans) {
      if (one.part.index >= other.part.index || one.of !== other.of || !one.span || !other.span) continue;
      if (Math.max(one.span.low, other.span.low) > Math.min(one.span.high, other.span.high) + 1e-12)
        return [one.part, other.part];
    }
  return undefined;
}

const leavesOf = (group: Extract<Condition, { of: unknown }>): Part[] =>
  group.of.flatMap((leaf, index) => ('of' in leaf ? [] : [{ leaf, index }]));

/** “All of” with two conditions that exclude each other. */
export const contradiction: Check<'judged'> = {
  code: 'contradiction',
  scope: 'judged',
  find(here) {
    const found: Found[] = [];
    for (const { rule, path } of toldHere(here))
      eachCondition(rule.when, (condition, place) => {
        if (!('of' in condition) || condition.is !== 'all') return;
        const pair = excluding(leavesOf(condition), here);
        if (!pair) return;
        const [one, other] = pair;
        const at = pointerOf([...path, 'when', ...place, 'of', other.index]);
        const words = (part: Part): string => conditionInWords(part.leaf, here.names);
        found.push({
          slotId: here.slot.id,
          path: at,
          sentence: 'Two conditions of one group exclude each other.',
          reason: `Both are needed at once: ${words(one)}, and ${words(other)}.`,
          mend: { label: `Drop “${words(other)}”`, patch: [{ op: 'remove', path: at }] },
        });
      });
    return found;
  },
};
