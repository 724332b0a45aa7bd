import { pointerOf } from '../../../document/model/index.ts';
import { objectiveInWords } from '../../../play/rules/index.ts';
import type { Check } from '../finding.ts';

/** A brief written by hand, and the rules that win have changed since. */
export const briefOutdated: Check<'judged'> = {
  code: 'brief-outdated',
  title: 'Brief that no longer fits',
  group: 'win',
  severity: 'doubtful',
  source: 'document',
  scope: 'judged',
  find({ level, slot, project, names }) {
    const { brief, briefFor } = level;
    if (brief === '' || briefFor === undefined) return [];
    const now = objectiveInWords(project, level, names);
    if (now === briefFor) return [];
    const path = pointerOf(['levels', level.id]);
    return [
      {
        slotId: slot.id,
        path: `${path}/brief`,
        sentence: 'What the player is told may no longer fit.',
        reason: `When it was written, the rules said “${briefFor.replace(/\.$/, '')}”. Now they say “${now.replace(/\.$/, '')}”.`,
        mend: {
          label: 'Let it follow the rules',
          patch: [
            { op: 'replace', path: `${path}/brief`, value: '' },
            { op: 'remove', path: `${path}/briefFor` },
          ],
        },
      },
    ];
  },
};
