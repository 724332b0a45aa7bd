import { pointerOf } from '../../../document/model/index.ts';
import { conditionInWords, liveAmount, type Leaf } from '../../../play/rules/index.ts';
import { losing, winning } from '../conditions.ts';
import { say, type Check } from '../finding.ts';
import type { SlotFacts } from '../scopes.ts';

/** At which value of which reading a single comparison begins to hold. */
function onset(leaf: Leaf, here: SlotFacts): string | undefined {
  if (leaf.is !== 'compare' || leaf.heldSeconds || liveAmount(leaf.amount, here.resolving)) return undefined;
  const { comparison } = leaf;
  const way = comparison === 'atLeast' ? 'up' : comparison === 'atMost' ? 'down' : undefined;
  if (!way) return undefined;
  const value = here.number(leaf.amount);
  // Time left and time taken are one clock.
  const { limitSeconds } = here.level.clock;
  if (leaf.reading.reading === 'timeLeft' && way === 'down' && limitSeconds !== null)
    return `{"reading":"timeElapsed"} up ${say(here.number(limitSeconds) - value)}`;
  return `${JSON.stringify(leaf.reading)} ${way} ${say(value)}`;
}

/** A win and a loss that come about at the very same moment. */
export const endingsCanTie: Check<'judged'> = {
  code: 'endings-can-tie',
  title: 'Win and loss at once',
  group: 'rules',
  severity: 'doubtful',
  source: 'judge',
  scope: 'judged',
  find(here) {
    const { level, slot, names, resolving } = here;
    const { limitSeconds, atExpiry } = level.clock;
    const losses = losing(here).flatMap(({ rule: { when } }) => {
      const at = 'of' in when ? undefined : onset(when, here);
      return at === undefined ? [] : [{ at, words: conditionInWords(when, names) }];
    });
    if (limitSeconds !== null && atExpiry === 'lose' && !liveAmount(limitSeconds, resolving))
      losses.push({
        at: `{"reading":"timeElapsed"} up ${say(here.number(limitSeconds))}`,
        words: `the clock of ${say(here.number(limitSeconds))} s runs out`,
      });
    return winning(here).flatMap(({ rule: { when }, path, standing }) => {
      const at = 'of' in when || standing ? undefined : onset(when, here);
      const loss = losses.find((entry) => entry.at === at);
      if (!loss || 'of' in when) return [];
      const stands = level.tie === 'win' ? 'win' : 'loss';
      return [
        {
          slotId: slot.id,
          path: pointerOf([...path, 'when']),
          sentence: `A win and a loss come at the same moment: the ${stands} stands.`,
          reason: `It is won when ${conditionInWords(when, names)}, and lost when ${loss.words}.`,
        },
      ];
    });
  },
};
