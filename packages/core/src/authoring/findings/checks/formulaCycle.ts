import { pointerOf } from '../../../document/model/index.ts';
import { cyclesOf } from '../../../document/ramps/index.ts';
import type { Check } from '../finding.ts';

/** Parameters whose formulas need one another. */
export const formulaCycle: Check<'project'> = {
  code: 'formula-cycle',
  title: 'Formulas in a circle',
  group: 'ramps',
  severity: 'surely wrong',
  source: 'document',
  scope: 'project',
  find: ({ project }) => {
    // It concerns the whole sequence: reported once, at its start.
    const [first] = project.slots;
    if (!first) return [];
    const labelOf = (key: string): string => project.parameters.find((entry) => entry.key === key)?.label ?? key;
    return cyclesOf(project.parameters).map((cycle) => {
      const [start = ''] = cycle;
      return {
        slotId: first.id,
        path: pointerOf(['parameters', start, 'ramp', 'shape', 'text']),
        sentence:
          cycle.length === 1
            ? `The formula of ${labelOf(start)} needs its own value.`
            : `The formulas of ${cycle.map(labelOf).join(' and ')} need one another.`,
        reason: `${[...cycle, start].join(' → ')}: none of them can be worked out. Until one no longer does, they count as the lower ends of their sane ranges.`,
      };
    });
  },
};
