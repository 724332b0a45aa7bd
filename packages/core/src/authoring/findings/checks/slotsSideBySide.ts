import { pointerOf } from '../../../document/model/index.ts';
import type { Check } from '../finding.ts';
import { numbersDiffer } from '../scopes.ts';

/** One level in two slots, one after the other. */
export const slotsSideBySide: Check<'neighbours'> = {
  code: 'slots-side-by-side',
  title: 'One level twice in a row',
  group: 'run',
  severity: 'doubtful',
  source: 'document',
  scope: 'neighbours',
  // With other numbers it is the same level made harder, as a designer may want it.
  find: ({ project, table, slot, level, position, before }) =>
    before.level.id === level.id && !numbersDiffer({ project, table, level, position })
      ? [
          {
            slotId: slot.id,
            path: pointerOf(['slots', slot.id]),
            sentence: `“${level.name}” is played twice in a row.`,
            reason: `It stands in slots ${position - 1} and ${position}, with the same numbers.`,
          },
        ]
      : [],
};
