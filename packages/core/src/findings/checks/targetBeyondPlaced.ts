import { pointerOf } from '../../model/index.ts';
import { readingInWords, resolveAmount } from '../../rules/index.ts';
import { say, type Check, type Found } from '../finding.ts';
import { winning } from '../conditions.ts';
import { blockingIn, isWonOtherwise, rangeOf } from '../possible.ts';

/** The only ways to win ask for more than lies on the ground. */
export const targetBeyondPlaced: Check<'judged'> = {
  code: 'target-beyond-placed',
  scope: 'judged',
  find: (here) => {
    if (isWonOtherwise(here)) return [];
    const { resolving, names, slot } = here;
    return winning(here).flatMap(({ rule, path: rulePath }) =>
      blockingIn(rule.when, here).flatMap(({ leaf, path }): Found[] => {
        if (leaf.is !== 'compare') return [];
        const { reading, comparison } = leaf;
        if (reading.reading !== 'worth' && reading.reading !== 'collected') return [];
        const asked = resolveAmount(leaf.amount, resolving.values, resolving.placed);
        const { most } = rangeOf(reading, here);
        // What is asked for is too little, not too much: nothing that this is about.
        if (asked < most) return [];
        const measure = reading.reading === 'worth' ? 'worth' : 'count';
        const placed = resolving.placed[measure][reading.of] ?? 0;
        const there =
          most < placed
            ? `${say(most)} of the ${say(placed)} on the ground can be reached`
            : `${say(most)} are on the ground`;
        const base = [...rulePath, 'when', ...path];
        const mended = comparison === 'moreThan' ? most - 1 : most;
        return [
          {
            slotId: slot.id,
            path: pointerOf(base),
            sentence: 'The target is beyond what is placed: nobody can win.',
            reason: `It takes ${comparison === 'moreThan' ? 'more than ' : ''}${say(asked)} ${readingInWords(reading, names)}, and ${there}.`,
            ...(mended > 0
              ? {
                  mend: {
                    label: `Ask for ${comparison === 'moreThan' ? `more than ${say(mended)}` : `all ${say(most)}`}`,
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
