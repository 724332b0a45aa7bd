import { pointerOf } from '../../model/index.ts';
import type { Check } from '../finding.ts';

/** One level in two slots, one after the other. */
export const slotsSideBySide: Check<'neighbours'> = {
  code: 'slots-side-by-side',
  scope: 'neighbours',
  find: ({ slot, level, position, before }) =>
    before.level.id === level.id
      ? [
          {
            slotId: slot.id,
            path: pointerOf(['slots', slot.id]),
            sentence: `“${level.name}” is played twice in a row.`,
            reason: `It stands in slots ${position - 1} and ${position}.`,
          },
        ]
      : [],
};
