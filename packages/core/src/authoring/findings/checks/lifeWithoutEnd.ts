import { pointerOf } from '../../../document/model/index.ts';
import { addRules } from '../../edits/index.ts';
import { usualLosses } from '../../../document/model/index.ts';
import { leaves } from '../../../play/rules/index.ts';
import { losing } from '../conditions.ts';
import type { Check } from '../finding.ts';

/** Lives are taken, and nothing happens when none is left. */
export const lifeWithoutEnd: Check<'judged'> = {
  code: 'life-without-end',
  title: 'Lives that never run out',
  group: 'loss',
  severity: 'doubtful',
  source: 'document',
  scope: 'judged',
  find(here) {
    const { level, slot, project, rules } = here;
    const taking = rules.find(({ rule }) => rule.then.some(({ effect }) => effect === 'loseLife'));
    const ends = losing(here).some(({ rule }) =>
      leaves(rule.when).some(({ leaf }) => leaf.reading.reading === 'lives'),
    );
    if (!taking || ends) return [];
    const { patch } = addRules(project, level, usualLosses([]), '');
    return [
      {
        slotId: slot.id,
        path: pointerOf([...taking.path, 'when']),
        sentence: 'Lives are taken, and nothing ends the attempt when none is left.',
        reason: 'No rule that loses the level looks at lives.',
        mend: { label: 'Lose without lives', patch },
      },
    ];
  },
};
