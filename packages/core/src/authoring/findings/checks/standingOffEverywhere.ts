import { namesFor } from '../../../play/attempt/index.ts';
import { pointerOf } from '../../../document/model/index.ts';
import { conditionInWords } from '../../../play/rules/index.ts';
import type { Check, Found } from '../finding.ts';

/** A standing rule that every level switches off. */
export const standingOffEverywhere: Check<'project'> = {
  code: 'standing-off-everywhere',
  title: 'Standing rule that holds nowhere',
  group: 'rules',
  severity: 'doubtful',
  source: 'document',
  scope: 'project',
  find({ project }) {
    const levels = Object.values(project.levels);
    const [first] = project.slots;
    if (!first || levels.length === 0) return [];
    return project.standing.flatMap((rule): Found[] => {
      if (rule.off === true || !levels.every(({ standingRulesOff }) => standingRulesOff.includes(rule.id))) return [];
      const path = pointerOf(['standing', rule.id]);
      const names = namesFor(project, undefined);
      return [
        {
          slotId: first.id,
          path,
          sentence: 'A standing rule holds nowhere.',
          reason: `All ${levels.length} levels switch it off: ${conditionInWords(rule.when, names)}.`,
          mend: {
            label: 'Drop the rule',
            patch: [
              ...levels.map(({ id }) => ({
                op: 'remove' as const,
                path: pointerOf(['levels', id, 'standingRulesOff', rule.id]),
              })),
              { op: 'remove', path },
            ],
          },
        },
      ];
    });
  },
};
