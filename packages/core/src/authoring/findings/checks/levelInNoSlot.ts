import { pointerOf } from '../../../document/model/index.ts';
import type { Check, Found } from '../finding.ts';

/** A level that is played in no slot. */
export const levelInNoSlot: Check<'run'> = {
  code: 'level-in-no-slot',
  title: 'Level in no slot',
  group: 'run',
  severity: 'doubtful',
  source: 'document',
  scope: 'run',
  find({ project }) {
    const [first] = project.slots;
    if (!first) return [];
    const played = new Set(project.slots.map(({ levelId }) => levelId));
    return Object.values(project.levels).flatMap(({ id, name }): Found[] =>
      played.has(id)
        ? []
        : [
            {
              slotId: first.id,
              path: pointerOf(['levels', id]),
              sentence: `“${name}” is in no slot.`,
              reason: 'Nobody plays it.',
              mend: { label: 'Remove the level', patch: [{ op: 'remove', path: pointerOf(['levels', id]) }] },
            },
          ],
    );
  },
};
