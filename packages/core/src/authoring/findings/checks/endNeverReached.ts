import { pointerOf } from '../../../document/model/index.ts';
import { isEndless } from '../../../play/playthrough/index.ts';
import type { Check, Found } from '../finding.ts';

/** A level before the last one that ends the run when it is won. */
export const endNeverReached: Check<'run'> = {
  code: 'end-never-reached',
  title: 'Levels after the end of the run',
  group: 'run',
  severity: 'doubtful',
  source: 'document',
  scope: 'run',
  find({ project }) {
    const { slots, run } = project;
    return slots.flatMap((slot, index): Found[] => {
      const next = project.levels[slot.levelId]?.ending.won.next;
      if (next?.to !== 'endOfRun') return [];
      const path = pointerOf(['levels', slot.levelId, 'ending', 'won', 'next']);
      const mend = {
        label: 'Go on to the next slot',
        patch: [{ op: 'replace' as const, path, value: { to: 'nextSlot' } }],
      };
      if (index < slots.length - 1)
        return [
          {
            slotId: slot.id,
            path,
            sentence: `Winning slot ${index + 1} ends the run.`,
            reason: `The ${slots.length - 1 - index} slots after it are not reached.`,
            mend,
          },
        ];
      return isEndless(run)
        ? [
            {
              slotId: slot.id,
              path,
              sentence: 'The run ends with the last slot, and the order of play says that it goes on.',
              reason: 'What comes after the last slot is never shown.',
              mend,
            },
          ]
        : [];
    });
  },
};
