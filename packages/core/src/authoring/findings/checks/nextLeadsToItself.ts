import { pointerOf } from '../../../document/model/index.ts';
import type { Check, Found } from '../finding.ts';

/** A win that leads back to the very slot that was won. */
export const nextLeadsToItself: Check<'run'> = {
  code: 'next-leads-to-itself',
  title: 'A win leads back to its level',
  group: 'run',
  severity: 'surely wrong',
  source: 'document',
  scope: 'run',
  find: ({ project }) =>
    project.slots.flatMap((slot, index): Found[] => {
      const next = project.levels[slot.levelId]?.ending.won.next;
      const isSame = next?.to === 'retry' || (next?.to === 'slot' && next.slot === slot.id);
      if (!isSame) return [];
      const path = pointerOf(['levels', slot.levelId, 'ending', 'won', 'next']);
      return [
        {
          slotId: slot.id,
          path,
          sentence: `Winning slot ${index + 1} leads to slot ${index + 1} again.`,
          reason: 'Nobody comes further than that.',
          mend: { label: 'Go on to the next slot', patch: [{ op: 'replace', path, value: { to: 'nextSlot' } }] },
        },
      ];
    }),
};
