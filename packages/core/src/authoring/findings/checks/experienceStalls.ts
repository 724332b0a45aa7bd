import { MOST_BOUTS_TO_A_LEVEL } from '../../../play/bouts/index.ts';
import { pointerOf } from '../../../document/model/index.ts';
import type { Check } from '../finding.ts';

/** The party hardly grows: too many bouts to its next level. */
export const experienceStalls: Check<'bout'> = {
  code: 'experience-stalls',
  title: 'Party that hardly grows',
  group: 'bouts',
  severity: 'doubtful',
  source: 'document',
  scope: 'bout',
  find({ slot, level, pacing }) {
    const { boutsToNext, level: party } = pacing;
    if (!level.meetings || boutsToNext <= MOST_BOUTS_TO_A_LEVEL) return [];
    const many = Number.isFinite(boutsToNext) ? `${boutsToNext} bouts like these` : 'no number of bouts like these';
    return [
      {
        slotId: slot.id,
        path: pointerOf(['levels', level.id, 'meetings']),
        sentence: 'The party hardly grows here.',
        reason: `From level ${party} to the next it takes ${many}; more than ${MOST_BOUTS_TO_A_LEVEL} are felt as standing still.`,
      },
    ];
  },
};
