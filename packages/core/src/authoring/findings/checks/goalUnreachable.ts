import { pointerOf } from '../../../document/model/index.ts';
import { readingDefinition, readingInWords } from '../../../play/rules/index.ts';
import { winning } from '../conditions.ts';
import type { Check, Found } from '../finding.ts';
import { blockingIn, isWonOtherwise } from '../possible.ts';

/** The only ways to win lead to where nobody can come. */
export const goalUnreachable: Check<'judged'> = {
  code: 'goal-unreachable',
  title: 'Goal out of reach',
  group: 'win',
  severity: 'stops play',
  source: 'judge',
  scope: 'judged',
  find(here) {
    if (isWonOtherwise(here)) return [];
    const { slot, names } = here;
    return winning(here).flatMap(({ rule, path: rulePath }) =>
      blockingIn(rule.when, here).flatMap(({ leaf, path }): Found[] =>
        readingDefinition(leaf.reading).unit !== 'on/off'
          ? []
          : [
              {
                slotId: slot.id,
                path: pointerOf([...rulePath, 'when', ...path]),
                sentence: 'What a win takes cannot be reached: nobody can win.',
                reason: `It takes that ${readingInWords(leaf.reading, names)}, and no way leads there from the start, whatever gates open.`,
              },
            ],
      ),
    );
  },
};
