import { pointerOf, type Amount } from '../../../document/model/index.ts';
import { boutAmount, meetingsExpected, meetingsOf, wayAcross } from '../../../play/bouts/index.ts';
import { say, type Check } from '../finding.ts';

/** Meetings so rare that most who pass the level have none. */
export const meetingsRare: Check<'bout'> = {
  code: 'meetings-rare',
  title: 'Meetings too rare',
  group: 'bouts',
  severity: 'doubtful',
  source: 'document',
  scope: 'bout',
  find({ slot, level, values }) {
    const meetings = meetingsOf(level);
    if (!meetings) return [];
    const expected = meetingsExpected(meetings, level, values);
    if (expected >= 1) return [];
    const way = wayAcross(level.ground);
    // Where at least one may come, it is the way to it that is too long.
    const isFar = meetings.every !== undefined && boutAmount(meetings.many, values) >= 1;
    const [field, amount, value]: [string, Amount, number] =
      isFar && meetings.every ? ['every', meetings.every, way] : ['many', meetings.many, 1];
    const path = pointerOf(['levels', level.id, 'meetings', field]);
    return [
      {
        slotId: slot.id,
        path,
        sentence: 'Some pass the level without a meeting.',
        reason: isFar
          ? `There is one in ${say(boutAmount(amount, values))} units of way, and the way is about ${say(way)} long.`
          : `There are ${say(expected)} on the way through, on average.`,
        ...(amount.from === 'number'
          ? {
              mend: {
                label: 'Meet once',
                patch: [{ op: 'replace' as const, path, value: { from: 'number', value } }],
              },
            }
          : {}),
      },
    ];
  },
};
