import { pointerOf } from '../../model/index.ts';
import { endingOfRule, leaves, readingInWords, resolveAmount } from '../../rules/index.ts';
import { say, type Check } from '../finding.ts';

/** A win that asks for more than lies on the ground. */
export const targetBeyondPlaced: Check<'slot'> = {
  code: 'target-beyond-placed',
  scope: 'slot',
  find: ({ rules, resolving, names, slot }) =>
    rules.flatMap(({ rule, path: rulePath }) => {
      if (endingOfRule(rule) !== 'won') return [];
      return leaves(rule.when).flatMap(({ leaf, path }) => {
        if (leaf.is !== 'compare') return [];
        const { reading, comparison } = leaf;
        if (reading.reading !== 'worth' && reading.reading !== 'collected') return [];
        if (comparison !== 'atLeast' && comparison !== 'moreThan' && comparison !== 'exactly') return [];
        const placed = resolving.placed[reading.reading === 'worth' ? 'worth' : 'count'][reading.of] ?? 0;
        const wanted = resolveAmount(leaf.amount, resolving.values, resolving.placed);
        if (comparison === 'moreThan' ? wanted < placed : wanted <= placed) return [];
        const base = [...rulePath, 'when', ...path];
        const most = comparison === 'moreThan' ? placed - 1 : placed;
        return [
          {
            slotId: slot.id,
            path: pointerOf(base),
            sentence: 'The target is beyond what is placed: nobody can win.',
            reason: `It takes ${comparison === 'moreThan' ? 'more than ' : ''}${say(wanted)} ${readingInWords(reading, names)}, and ${say(placed)} are on the ground.`,
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
