import { pointerOf, type Condition } from '../../../document/model/index.ts';
import { conditionInWords, eachCondition } from '../../../play/rules/index.ts';
import { plain } from '../conditions.ts';
import type { Check, Found } from '../finding.ts';
import { isWithin } from '../intervals.ts';
import { aboutOneReading, needsOf, type NumberOf } from '../normalForm.ts';
import { slotOf } from '../parts.ts';
import type { LevelFacts } from '../scopes.ts';
import { namesFor } from '../../../play/attempt/index.ts';

/** Only numbers that are written count: what follows parameters differs from slot to slot. */
const written: NumberOf = (amount) => (amount.from === 'number' ? amount.value : undefined);

/** Does one condition hold whenever another does? */
function follows(one: Condition, from: Condition): boolean {
  if (plain(one) === plain(from)) return true;
  const asked = aboutOneReading(one, written);
  if (!asked) return false;
  const given = needsOf(from, written).get(asked.key) ?? [];
  return given.length > 0 && isWithin(given, asked.set);
}

/** The part of a group that could be left out, and the one beside which it adds nothing. */
function needless(group: Extract<Condition, { of: unknown }>): { index: number; beside: Condition } | undefined {
  const { of, is } = group;
  if (is !== 'all' && is !== 'any') return undefined;
  for (let index = of.length - 1; index >= 0; index--) {
    const one = of[index] as Condition;
    const beside = of.find(
      (other, place) => place !== index && (is === 'all' ? follows(one, other) : follows(other, one)),
    );
    if (beside) return { index, beside };
  }
  return undefined;
}

function findIn({ project, level }: LevelFacts): Found[] {
  const slotId = slotOf(project, level);
  if (slotId === undefined) return [];
  const names = namesFor(project, level);
  const found: Found[] = [];
  for (const rule of level.rules)
    eachCondition(rule.when, (condition, place) => {
      if (!('of' in condition)) return;
      const spare = needless(condition);
      if (!spare) return;
      const path = pointerOf(['levels', level.id, 'rules', rule.id, 'when', ...place, 'of', spare.index]);
      const words = conditionInWords(condition.of[spare.index] as Condition, names);
      found.push({
        slotId,
        path,
        sentence: 'A condition adds nothing to the one beside it.',
        reason: `“${words}” ${condition.is === 'all' ? 'holds whenever' : 'is not needed where'} ${conditionInWords(spare.beside, names)}.`,
        mend: { label: `Drop “${words}”`, patch: [{ op: 'remove', path }] },
      });
    });
  return found;
}

/** A condition that its neighbour implies, or that stands there twice. */
export const impliedCondition: Check<'level'> = {
  code: 'implied-condition',
  title: 'Condition that adds nothing',
  group: 'rules',
  severity: 'doubtful',
  source: 'document',
  scope: 'level',
  find: findIn,
};
