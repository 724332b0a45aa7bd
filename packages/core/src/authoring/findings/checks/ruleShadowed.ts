import { pointerOf } from '../../../document/model/index.ts';
import { conditionInWords, endingOfRule, liveAmount, readingDefinition, type Leaf } from '../../../play/rules/index.ts';
import { neededIn } from '../conditions.ts';
import { say, type Check, type Found } from '../finding.ts';
import type { SlotFacts } from '../scopes.ts';

/** A comparison that begins to hold when a reading that only grows comes to a value. */
function threshold(leaf: Leaf, here: SlotFacts): { of: string; value: number } | undefined {
  if (leaf.is !== 'compare' || (leaf.comparison !== 'atLeast' && leaf.comparison !== 'moreThan')) return undefined;
  if (leaf.heldSeconds || readingDefinition(leaf.reading).direction !== 'up') return undefined;
  if (liveAmount(leaf.amount, here.resolving)) return undefined;
  return { of: JSON.stringify(leaf.reading), value: here.number(leaf.amount) };
}

/** The most by which a reading can grow in one tick: what a rule asks for beyond that comes later for sure. */
function largestStep(leaf: Leaf, { project, number }: SlotFacts): number {
  if (leaf.reading.reading !== 'worth') return 10;
  return 10 * Math.max(0, ...project.kinds.collectables.map(({ worth }) => Math.abs(number(worth))));
}

/** A rule that could only fire after another has ended the attempt. */
export const ruleShadowed: Check<'judged'> = {
  code: 'rule-shadowed',
  title: 'Rule that comes too late',
  group: 'rules',
  severity: 'doubtful',
  source: 'document',
  scope: 'judged',
  find(here) {
    const endings = here.rules.flatMap(({ rule }) => {
      const { when } = rule;
      if (endingOfRule(rule) === null || 'of' in when) return [];
      const ends = threshold(when, here);
      return ends ? [{ rule, ends, when }] : [];
    });
    return here.rules.flatMap(({ rule, path, standing }): Found[] => {
      if (standing) return [];
      for (const { leaf, path: place } of neededIn(rule.when)) {
        const needs = threshold(leaf, here);
        const ending = endings.find(
          (entry) =>
            entry.rule !== rule &&
            entry.ends.of === needs?.of &&
            needs.value > entry.ends.value + largestStep(leaf, here),
        );
        if (!ending || !needs) continue;
        return [
          {
            slotId: here.slot.id,
            path: pointerOf([...path, 'when', ...place]),
            sentence: 'A rule comes too late: another has ended the attempt by then.',
            reason: `It takes ${say(needs.value)}, and the attempt ends as soon as ${conditionInWords(ending.when, here.names)}.`,
          },
        ];
      }
      return [];
    });
  },
};
