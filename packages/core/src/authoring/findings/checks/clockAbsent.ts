import { pointerOf } from '../../../document/model/index.ts';
import { leaves } from '../../../play/rules/index.ts';
import type { Check, Found } from '../finding.ts';
import type { SlotFacts } from '../scopes.ts';

/** Limit of a mended clock. Seconds. */
const USUAL_LIMIT = 50;

function placesOf({ rules, level }: SlotFacts): (string | number)[][] {
  const inRules = rules.flatMap(({ rule, path, standing }) =>
    standing
      ? []
      : leaves(rule.when).flatMap(({ leaf, path: place }) =>
          leaf.reading.reading === 'timeLeft' ? [[...path, 'when', ...place]] : [],
        ),
  );
  const { stars, id } = level;
  const inStars =
    stars.is === 'ladder' && stars.reading === 'timeLeft' && stars.thresholds.some((threshold) => threshold !== null);
  return inStars ? [...inRules, ['levels', id, 'stars']] : inRules;
}

/** Time left is looked at where there is no limit. */
export const clockAbsent: Check<'judged'> = {
  code: 'clock-absent',
  title: 'Time left without a limit',
  group: 'loss',
  severity: 'surely wrong',
  source: 'document',
  scope: 'judged',
  find(here) {
    const { level, slot } = here;
    if (level.clock.limitSeconds !== null) return [];
    return placesOf(here).map((path): Found => ({
      slotId: slot.id,
      path: pointerOf(path),
      sentence: 'Time left is looked at, and the level has no time limit.',
      reason: 'Without a limit there is always endless time left.',
      mend: {
        label: `Give it ${USUAL_LIMIT} s`,
        patch: [
          {
            op: 'replace',
            path: pointerOf(['levels', level.id, 'clock', 'limitSeconds']),
            value: { from: 'number', value: USUAL_LIMIT },
          },
        ],
      },
    }));
  },
};
