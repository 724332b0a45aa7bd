import { startObserved } from '../../attempt/index.ts';
import { pointerOf } from '../../model/index.ts';
import {
  conditionInWords,
  endingOfRule,
  judgeTick,
  leaves,
  makeJudge,
  startVerdicts,
  type Leaf,
} from '../../rules/index.ts';
import { say, type Check, type Mend } from '../finding.ts';
import type { SlotFacts } from '../scopes.ts';

/** The least of a gathered reading that is not there from the start: one piece's worth, or one piece. */
function leastToAsk(leaf: Leaf, { resolving }: SlotFacts): number | undefined {
  if (leaf.is !== 'compare' || leaf.comparison !== 'atLeast' || leaf.amount.from !== 'number') return undefined;
  const { reading } = leaf;
  if (reading.reading !== 'worth' && reading.reading !== 'collected') return undefined;
  const measure = reading.reading === 'worth' ? 'worth' : 'count';
  const all = resolving.placed[measure][reading.of] ?? 0;
  return all > 0 ? Math.max(1, Math.ceil(all / 2)) : undefined;
}

/** An ending that comes before the player has done anything. */
export const alreadyTrue: Check<'slot'> = {
  code: 'already-true',
  scope: 'slot',
  find: (here) => {
    // The judge itself says what holds before anybody has moved.
    const { prepared: level } = here;
    const judge = makeJudge(level.judging.rules, level.judging.tie, level.judging);
    const verdicts = startVerdicts(judge);
    judgeTick(judge, startObserved(level), verdicts);
    return here.rules.flatMap(({ rule, path }, index) => {
      const ending = endingOfRule(rule);
      const judged = judge.rules[index];
      if (!ending || !judged || verdicts.truth[judged.when.index] !== true) return [];
      const parts = leaves(rule.when);
      const [only] = parts;
      const base = [...path, 'when'];
      const ask = parts.length === 1 && only ? leastToAsk(only.leaf, here) : undefined;
      const mend: Mend | undefined =
        ask === undefined || !only
          ? undefined
          : {
              label: `Ask for ${say(ask)}, half of what is placed`,
              patch: [
                {
                  op: 'replace',
                  path: pointerOf([...base, ...only.path, 'amount']),
                  value: { from: 'number', value: ask },
                },
              ],
            };
      return [
        {
          slotId: here.slot.id,
          path: pointerOf(base),
          sentence:
            ending === 'won'
              ? 'The level is won before the player has moved.'
              : 'The level is lost before the player has moved.',
          reason: `At the start it already holds: ${conditionInWords(rule.when, here.names)}.`,
          ...(mend ? { mend } : {}),
        },
      ];
    });
  },
};
