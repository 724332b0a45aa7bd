import { pointerOf, type Condition } from '../../../document/model/index.ts';
import { conditionInWords, eachCondition } from '../../../play/rules/index.ts';
import { toldHere } from '../conditions.ts';
import type { Check, Found } from '../finding.ts';
import { EVERYTHING, intersection, type NumberSet } from '../intervals.ts';
import { isPossible, needsOf, type NumberOf } from '../normalForm.ts';
import { sureNumber } from '../possible.ts';

interface Part {
  condition: Condition;
  index: number;
}

/** Two conditions of a group that cannot hold at once: the first whose values of a reading leave none beside those before it, and the one of these that excludes it. */
function excluding(group: Extract<Condition, { of: unknown }>, number: NumberOf): [Part, Part] | undefined {
  const parts = group.of.map((condition, index) => ({ condition, index, needs: needsOf(condition, number) }));
  const left = new Map<string, NumberSet>();
  for (const part of parts) {
    // A part that excludes itself is found by itself.
    if (!isPossible(part.needs)) return undefined;
    for (const [key, set] of part.needs) {
      const rest = intersection(left.get(key) ?? EVERYTHING, set);
      left.set(key, rest);
      if (rest.length > 0) continue;
      const before = parts.slice(0, part.index).filter(({ needs }) => needs.has(key));
      const excludes = before.find(({ needs }) => intersection(needs.get(key) ?? EVERYTHING, set).length === 0);
      const other = excludes ?? before.at(-1);
      if (other) return [other, part];
    }
  }
  return undefined;
}

/** “All of” with two conditions that exclude each other. */
export const contradiction: Check<'judged'> = {
  code: 'contradiction',
  title: 'Conditions that exclude each other',
  group: 'win',
  severity: 'surely wrong',
  source: 'document',
  scope: 'judged',
  find(here) {
    const found: Found[] = [];
    for (const { rule, path } of toldHere(here))
      eachCondition(rule.when, (condition, place) => {
        if (!('of' in condition) || condition.is !== 'all') return;
        const pair = excluding(condition, (amount) => sureNumber(amount, here));
        if (!pair) return;
        const [one, other] = pair;
        const at = pointerOf([...path, 'when', ...place, 'of', other.index]);
        const words = (part: Part): string => conditionInWords(part.condition, here.names);
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
