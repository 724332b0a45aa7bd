import { pointerOf, type Project, type Slot } from '../../../document/model/index.ts';
import { starCount } from '../../../play/rules/index.ts';
import { starsAsked } from '../../../play/playthrough/index.ts';
import type { Check, Found } from '../finding.ts';

/** May a slot be played before slots that stand before it: in another order, because all are open, or by a way that jumps? */
function isOrderFree({ run, levels, slots }: Project): boolean {
  if (run.order !== 'inOrder' || run.unlock.by === 'open') return true;
  return slots.some(({ levelId }) => {
    const ending = levels[levelId]?.ending;
    return ending !== undefined && [ending.won, ending.lost].some(({ next }) => next.to === 'slot');
  });
}

/** A slot that asks for more stars than the slots before it give. */
export const starGateBeyondEarnable: Check<'run'> = {
  code: 'star-gate-beyond-earnable',
  title: 'Asks for more stars than there are',
  group: 'stars',
  severity: 'stops play',
  source: 'document',
  scope: 'run',
  find({ project }) {
    const starsOf = ({ levelId }: Slot): number => {
      const level = project.levels[levelId];
      return level ? starCount(level.stars) : 0;
    };
    const total = project.slots.reduce((sum, slot) => sum + starsOf(slot), 0);
    const isFree = isOrderFree(project);
    let earnable = 0;
    return project.slots.flatMap((slot, index): Found[] => {
      const position = index + 1;
      const asked = starsAsked(project, position);
      const before = isFree ? total - starsOf(slot) : earnable;
      earnable += starsOf(slot);
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
          reason: `It takes ${asked} stars, and the ${isFree ? 'other slots' : 'slots before it'} give ${before} at most.`,
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
