import { pointerOf } from '../../../document/model/index.ts';
import { namesFor } from '../../../play/attempt/index.ts';
import { conditionInWords } from '../../../play/rules/index.ts';
import { plain } from '../conditions.ts';
import type { Check, Found } from '../finding.ts';
import { slotOf } from '../parts.ts';

/** Two rules of a level that say the same. */
export const rulesAlike: Check<'level'> = {
  code: 'rules-alike',
  title: 'Two rules alike',
  group: 'rules',
  severity: 'doubtful',
  source: 'document',
  scope: 'level',
  find({ project, level }) {
    const slotId = slotOf(project, level);
    if (slotId === undefined) return [];
    const off = new Set(level.standingRulesOff);
    const seen = new Map(
      project.standing
        .filter((rule) => rule.off !== true && !off.has(rule.id))
        .map((rule) => [plain(rule), 'A standing rule']),
    );
    return level.rules.flatMap((rule): Found[] => {
      if (rule.off === true || rule.replaces !== undefined) return [];
      const text = plain(rule);
      const other = seen.get(text);
      if (other === undefined) {
        seen.set(text, 'Another rule of the level');
        return [];
      }
      const path = pointerOf(['levels', level.id, 'rules', rule.id]);
      return [
        {
          slotId,
          path: `${path}/when`,
          sentence: 'Two rules say the same.',
          reason: `${other} has the same condition and the same effects: ${conditionInWords(rule.when, namesFor(project, level))}.`,
          mend: { label: 'Drop this one', patch: [{ op: 'remove', path }] },
        },
      ];
    });
  },
};
