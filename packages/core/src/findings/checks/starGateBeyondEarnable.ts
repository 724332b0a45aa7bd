import { pointerOf } from '../../model/index.ts';
import { resolveAmount } from '../../rules/index.ts';
import { valuesIn } from '../../ramps/index.ts';
import type { Check, Found } from '../finding.ts';

/** Nothing placed: amounts of a run are not shares of a ground. */
const NOTHING_PLACED = { count: {}, worth: {} };

/** A slot that asks for more stars than the slots before it give. */
export const starGateBeyondEarnable: Check<'run'> = {
  code: 'star-gate-beyond-earnable',
  scope: 'run',
  find({ project, table }) {
    const { unlock } = project.run;
    let earnable = 0;
    return project.slots.flatMap((slot, index): Found[] => {
      const position = index + 1;
      const number = (amount: Parameters<typeof resolveAmount>[0]): number =>
        resolveAmount(amount, valuesIn(table, position), NOTHING_PLACED);
      const ownGate = slot.starGate ? number(slot.starGate) : 0;
      const byRun = unlock.by === 'stars' ? number(unlock.perSlot) * index : 0;
      const asked = Math.ceil(Math.max(ownGate, byRun) - 1e-9);
      const before = earnable;
      const level = project.levels[slot.levelId];
      if (level)
        earnable += level.stars.is === 'ladder' ? level.stars.thresholds.length : level.stars.conditions.length;
      if (asked <= before) return [];
      const isOwn = ownGate >= byRun;
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
