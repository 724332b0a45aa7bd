import { pointerOf } from '../../model/index.ts';
import { conditionInWords } from '../../rules/index.ts';
import type { Check } from '../finding.ts';
import { mayHold } from '../possible.ts';

/** The clock waits for something that never holds, or for nothing at all. */
export const clockNeverStarts: Check<'judged'> = {
  code: 'clock-never-starts',
  scope: 'judged',
  find(here) {
    const { level, slot, names } = here;
    const { starts, startsWhen, limitSeconds } = level.clock;
    if (limitSeconds === null || starts !== 'condition' || (startsWhen && mayHold(startsWhen, here))) return [];
    const path = pointerOf(['levels', level.id, 'clock']);
    return [
      {
        slotId: slot.id,
        path: `${path}/starts`,
        sentence: 'The clock never starts.',
        reason: startsWhen
          ? `It waits until ${conditionInWords(startsWhen, names)}, which never comes about.`
          : 'It waits for a condition, and there is none.',
        mend: {
          label: 'Start it at the first move',
          patch: [
            { op: 'replace', path: `${path}/starts`, value: 'firstMove' },
            ...(startsWhen ? [{ op: 'remove' as const, path: `${path}/startsWhen` }] : []),
          ],
        },
      },
    ];
  },
};
