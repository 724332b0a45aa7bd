import { removeAction } from '../../edits/index.ts';
import { pointerOf } from '../../../document/model/index.ts';
import type { Check, Found } from '../finding.ts';
import { firstFight } from '../parts.ts';

/** An action that nobody ever takes. */
export const actionNeverUsed: Check<'project'> = {
  code: 'action-never-used',
  title: 'Action nobody uses',
  group: 'bouts',
  severity: 'doubtful',
  source: 'document',
  scope: 'project',
  find({ project }) {
    const { bouts } = project;
    return (bouts?.actions ?? []).flatMap((action): Found[] => {
      const users = bouts!.fighters.filter(({ uses }) => uses[action.id]);
      // Those of the party are chosen by the player, whatever their weight.
      if (users.some(({ side, uses }) => side === 'ours' || uses[action.id]!.weight > 0)) return [];
      return [
        {
          slotId: firstFight(project),
          path: pointerOf(['bouts', 'actions', action.id]),
          sentence: `Nobody ever uses ${action.name}.`,
          reason:
            users.length === 0
              ? 'No fighter has it.'
              : `${users.map(({ name }) => name).join(', ')}: a weight of 0 is never chosen.`,
          ...(users.length === 0
            ? { mend: { label: `Remove ${action.name}`, patch: removeAction(bouts!, action).patch } }
            : {}),
        },
      ];
    });
  },
};
