import { pointerOf } from '../../model/index.ts';
import { conditionInWords, readingInWords, resolveAmount } from '../../rules/index.ts';
import { winning } from '../conditions.ts';
import { say, type Check, type Found } from '../finding.ts';
import { blockingIn, isWonOtherwise, rangeOf } from '../possible.ts';

/** The readings that body and ground limit, with what limits them. */
const LIMITS: Partial<Record<string, string>> = {
  height: 'from the ground as it is, and by jumping, no player gets above',
  row: 'the way leads no further than row',
  distance: 'at its speed, and until the clock ends, the way is at most',
};

/** The only ways to win ask for more height, rows or way than body and ground allow. */
export const targetBeyondGround: Check<'judged'> = {
  code: 'target-beyond-ground',
  scope: 'judged',
  find: (here) => {
    if (isWonOtherwise(here)) return [];
    const { resolving, names, slot } = here;
    return winning(here).flatMap(({ rule, path: rulePath }) =>
      blockingIn(rule.when, here).flatMap(({ leaf, path }): Found[] => {
        const limit = LIMITS[leaf.reading.reading];
        if (leaf.is !== 'compare' || limit === undefined) return [];
        const { most } = rangeOf(leaf.reading, here);
        const asked = resolveAmount(leaf.amount, resolving.values, resolving.placed);
        if (asked < most || !Number.isFinite(most)) return [];
        // A tenth below the limit, so that the target can really be reached.
        const mended = leaf.reading.reading === 'row' ? Math.floor(most) : Math.floor(most * 10 - 1) / 10;
        const base = [...rulePath, 'when', ...path];
        return [
          {
            slotId: slot.id,
            path: pointerOf(base),
            sentence: `The ${readingInWords(leaf.reading, names).replace(/^the /, '')} asked for cannot be reached: nobody can win.`,
            reason: `It takes that ${conditionInWords(leaf, names)}, and ${limit} ${say(most)}.`,
            ...(mended > 0
              ? {
                  mend: {
                    label: `Ask for ${say(mended)}`,
                    patch: [
                      {
                        op: 'replace' as const,
                        path: pointerOf([...base, 'amount']),
                        value: { from: 'number', value: mended },
                      },
                    ],
                  },
                }
              : {}),
          },
        ];
      }),
    );
  },
};
