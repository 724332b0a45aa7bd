import { pointerOf } from '../../model/index.ts';
import { endingOfRule, leaves, readingInWords, resolveAmount } from '../../rules/index.ts';
import { say, type Check } from '../finding.ts';

/** A win that asks for more than lies on the ground. */
export const targetBeyondPlaced: Check = {
  code: 'target-beyond-placed',
  check: (place) =>
    place.rules.flatMap(({ rule, path: rulePath }) => {
      if (endingOfRule(rule) !== 'won') return [];
      return leaves(rule.when).flatMap(({ leaf, path }) => {
        if (leaf.is !== 'compare') return [];
        const { reading, comparison } = leaf;
        if (reading.reading !== 'worth' && reading.reading !== 'collected') return [];
        if (comparison !== 'atLeast' && comparison !== 'moreThan' && comparison !== 'exactly') return [];
        const placed = place.placed[reading.reading === 'worth' ? 'worth' : 'count'][reading.of] ?? 0;
        const wanted = resolveAmount(leaf.amount, place.values, place.placed);
        if (comparison === 'moreThan' ? wanted < placed : wanted <= placed) return [];
        const base = [...rulePath, 'when', ...path];
        const most = comparison === 'moreThan' ? placed - 1 : placed;
        return [
          {
            code: 'target-beyond-placed' as const,
            severity: 'stops play' as const,
            slotId: place.slotId,
            path: pointerOf(base),
            sentence: 'The target is beyond what is placed: nobody can win.',
            reason: `It takes ${comparison === 'moreThan' ? 'more than ' : ''}${say(wanted)} ${readingInWords(reading, place.names)}, and ${say(placed)} are on the ground.`,
            ...(most > 0
              ? {
                  mend: {
                    label: `Ask for all ${say(most)}`,
                    patch: [
                      {
                        op: 'replace' as const,
                        path: pointerOf([...base, 'amount']),
                        value: { from: 'number', value: most },
                      },
                    ],
                  },
                }
              : {}),
          },
        ];
      });
    }),
};
