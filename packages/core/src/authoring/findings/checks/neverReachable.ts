import { pointerOf } from '../../../document/model/index.ts';
import {
  comparisonInWords,
  conditionInWords,
  endingOfRule,
  readingDefinition,
  readingInWords,
} from '../../../play/rules/index.ts';
import { say, type Check, type Found } from '../finding.ts';
import { blockingIn, isWonOtherwise, mayHold, rangeOf, type Blocking } from '../possible.ts';
import type { SlotFacts } from '../scopes.ts';

const SENTENCES = {
  won: 'A way to win can never come about.',
  lost: 'A loss can never come about.',
  milestone: 'A milestone can never fire.',
} as const;

function reasonOf({ leaf }: Blocking, here: SlotFacts): string {
  const { names } = here;
  const words = conditionInWords(leaf, names);
  if (leaf.is === 'onOff' || readingDefinition(leaf.reading).unit === 'on/off')
    return `It takes that ${words}, and no way leads there.`;
  const { least, most } = rangeOf(leaf.reading, here);
  const asked = here.number(leaf.amount);
  const reading = readingInWords(leaf.reading, names);
  const isTooMuch = asked > most || (asked === most && asked > least);
  const bound = `${comparisonInWords(leaf.reading, isTooMuch ? 'atMost' : 'atLeast')} ${say(isTooMuch ? most : least)}`;
  return `It takes that ${words}, and ${reading} ${bound}.`;
}

/** A rule of the level whose condition can never hold, by what its readings can come to. */
export const neverReachable: Check<'judged'> = {
  code: 'never-reachable',
  title: 'Condition that never holds',
  group: 'win',
  severity: 'surely wrong',
  source: 'document',
  scope: 'judged',
  find(here) {
    const { slot, level } = here;
    // A level that nobody can win has another finding instead.
    const canWin = isWonOtherwise(here);
    return here.rules.flatMap(({ rule, path, standing }): Found[] => {
      const ending = endingOfRule(rule) ?? 'milestone';
      // A standing rule may be for other levels.
      if (standing || mayHold(rule.when, here) || (ending === 'won' && !canWin)) return [];
      const [blocking] = blockingIn(rule.when, here);
      if (!blocking) return [];
      // Time left without a limit has a finding of its own.
      if (blocking.leaf.reading.reading === 'timeLeft' && level.clock.limitSeconds === null) return [];
      return [
        {
          slotId: slot.id,
          path: pointerOf([...path, 'when', ...blocking.path]),
          sentence: SENTENCES[ending],
          reason: reasonOf(blocking, here),
        },
      ];
    });
  },
};
