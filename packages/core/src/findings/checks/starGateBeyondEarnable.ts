import { pointerOf } from '../../model/index.ts';
import { starsAsked } from '../../run/index.ts';
import type { Check, Found } from '../finding.ts';

/** A slot that asks for more stars than the slots before it give. */
export const starGateBeyondEarnable: Check<'run'> = {
  code: 'star-gate-beyond-earnable',
  scope: 'run',
  find({ project }) {
    let earnable = 0;
    return project.slots.flatMap((slot, index): Found[] => {
      const position = index + 1;
      const asked = starsAsked(project, position);
      const before = earnable;
      const level = project.levels[slot.levelId];
      if (level)
        earnable += level.stars.is === 'ladder' ? level.stars.thresholds.length : level.stars.conditions.length;
      if (asked <= before) return [];
      const { starGate: _gate, ...ungated } = slot;
      const slots = project.slots.with(index, ungated);
      const isOwn = starsAsked({ ...project, slots }, position) < asked;
      const path = isOwn ? pointerOf(['slots', slot.id, 'starGate']) : pointerOf(['run', 'unlock', 'perSlot']);
      return [
        {
          slotId: slot.id,
          path,
          sentence: `Slot ${position} never opens: it asks for more stars than there are.`,
          reason: `It takes ${asked} stars, and the slots before it give ${before} at most.`,
          ...(isOwn
            ? {
                mend: {
                  label: `Ask for ${before}`,
                  patch: [{ op: 'replace' as const, path, value: { from: 'number', value: before } }],
                },
              }
            : {}),
        },
      ];
    });
  },
};
