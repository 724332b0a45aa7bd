import { pointerOf } from '../../model/index.ts';
import { boutAmount } from '../../bouts/index.ts';
import { say, type Check } from '../finding.ts';

/** Meetings so rare that most who pass the level have none. */
export const meetingsRare: Check<'bout'> = {
  code: 'meetings-rare',
  scope: 'bout',
  find({ slot, level, values }) {
    if (!level.meetings) return [];
    const many = boutAmount(level.meetings.many, values);
    if (many >= 1) return [];
    const path = pointerOf(['levels', level.id, 'meetings', 'many']);
    return [
      {
        slotId: slot.id,
        path,
        sentence: 'Some pass the level without a meeting.',
        reason: `There are ${say(many)} on the way through, on average.`,
        ...(level.meetings.many.from === 'number'
          ? {
              mend: {
                label: 'Meet once',
                patch: [{ op: 'replace' as const, path, value: { from: 'number', value: 1 } }],
              },
            }
          : {}),
      },
    ];
  },
};
