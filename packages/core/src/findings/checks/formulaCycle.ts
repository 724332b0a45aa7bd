import { pointerOf } from '../../model/index.ts';
import { cyclesOf } from '../../ramps/index.ts';
import type { Check } from '../finding.ts';

/** Parameters whose formulas need one another. */
export const formulaCycle: Check = {
  code: 'formula-cycle',
  check: ({ project, position, slotId }) => {
    // It concerns the whole sequence: told once, at its start.
    if (position !== 1) return [];
    const labelOf = (key: string): string => project.parameters.find((entry) => entry.key === key)?.label ?? key;
    return cyclesOf(project.parameters).map((cycle) => {
      const [first = ''] = cycle;
      const index = project.parameters.findIndex(({ key }) => key === first);
      return {
        code: 'formula-cycle' as const,
        severity: 'surely wrong' as const,
        slotId,
        path: pointerOf(['parameters', index, 'ramp', 'shape', 'text']),
        sentence:
          cycle.length === 1
            ? `The formula of ${labelOf(first)} needs its own value.`
            : `The formulas of ${cycle.map(labelOf).join(' and ')} need one another.`,
        reason: `${[...cycle, first].join(' → ')}: none of them can be worked out. Until one no longer does, they count as the lower ends of their sane ranges.`,
      };
    });
  },
};
