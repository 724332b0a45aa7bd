import { pointerOf, type Condition } from '../../../document/model/index.ts';
import { liveAmount } from '../../../play/rules/index.ts';
import { clockMayWin, losing, neededIn, winning } from '../conditions.ts';
import { say, type Check, type Found } from '../finding.ts';
import type { SlotFacts } from '../scopes.ts';

type Ladder = Extract<SlotFacts['level']['stars'], { is: 'ladder' }>;

/** The least of a gathered reading that a condition asks for. */
function leastAsked(condition: Condition, reading: 'worth' | 'collected', here: SlotFacts): number {
  return Math.max(
    0,
    ...neededIn(condition).flatMap(({ leaf }) =>
      leaf.is === 'compare' &&
      leaf.reading.reading === reading &&
      leaf.reading.of === 'any' &&
      (leaf.comparison === 'atLeast' || leaf.comparison === 'exactly') &&
      !liveAmount(leaf.amount, here.resolving)
        ? [here.number(leaf.amount)]
        : [],
    ),
  );
}

/** Returns the reading that every win reaches: at least, or at most for a ladder that counts downwards. */
function everyWin({ reading, direction }: Ladder, here: SlotFacts): number {
  const { clock } = here.level;
  const ENDLESS = direction === 'atLeast' ? Number.NEGATIVE_INFINITY : Number.POSITIVE_INFINITY;
  if (direction === 'atMost') {
    const { limitSeconds } = clock;
    const isLimit = reading === 'timeElapsed' && limitSeconds !== null && !liveAmount(limitSeconds, here.resolving);
    return isLimit ? here.number(limitSeconds) : ENDLESS;
  }
  switch (reading) {
    case 'worth':
    case 'collected':
      if (clockMayWin(here)) return 0;
      // Without a rule that wins nothing is sure, not everything.
      return winning(here).length === 0
        ? ENDLESS
        : Math.min(...winning(here).map(({ rule }) => leastAsked(rule.when, reading, here)));
    case 'lives':
      return losing(here).some(({ rule }) =>
        neededIn(rule.when).some(
          ({ leaf }) =>
            leaf.is === 'compare' &&
            leaf.reading.reading === 'lives' &&
            leaf.comparison === 'atMost' &&
            rule.when === leaf,
        ),
      )
        ? 1
        : 0;
    case 'timeLeft':
    case 'timeElapsed':
    case 'health':
    case 'fallen':
      return 0;
    case 'rounds':
    case 'tries':
      return 1;
    case 'score':
      return ENDLESS;
  }
}

/** A star after the first that everybody earns who clears the level. */
export const starGivenToAll: Check<'judged'> = {
  code: 'star-given-to-all',
  title: 'Star for everybody',
  group: 'stars',
  severity: 'doubtful',
  source: 'judge',
  scope: 'judged',
  find(here) {
    const { stars, id, clock } = here.level;
    if (stars.is !== 'ladder') return [];
    // Reported by another check.
    if (stars.reading === 'timeLeft' && clock.limitSeconds === null) return [];
    const all = everyWin(stars, here);
    return stars.thresholds.flatMap((threshold, index): Found[] => {
      if (index === 0 || (threshold && liveAmount(threshold, here.resolving))) return [];
      const asked = threshold ? here.number(threshold) : undefined;
      const isGiven = asked === undefined || (stars.direction === 'atLeast' ? asked <= all : asked >= all);
      if (!isGiven) return [];
      return [
        {
          slotId: here.slot.id,
          path: pointerOf(['levels', id, 'stars', 'thresholds', index]),
          sentence: `${'★'.repeat(index + 1)} goes to everybody who clears the level.`,
          reason:
            asked === undefined
              ? 'It takes no more than a win.'
              : `It takes ${stars.direction === 'atMost' ? 'at most ' : ''}${say(asked)}, and every win has ${stars.direction === 'atMost' ? 'at most ' : ''}${say(all)}${stars.direction === 'atLeast' ? ' at least' : ''}.`,
        },
      ];
    });
  },
};
