import { pointerOf } from '../../../document/model/index.ts';
import { formulaError, noNumbersOf } from '../../../document/ramps/index.ts';
import { say, type Check, type Found } from '../finding.ts';

/** A formula that cannot be read, or that gives no number at a level. */
export const formulaWrong: Check<'parameter'> = {
  code: 'formula-error',
  title: 'Formula without a number',
  group: 'ramps',
  severity: 'surely wrong',
  source: 'document',
  scope: 'parameter',
  find: ({ project, parameter, table }) => {
    const { ramp, label, key } = parameter;
    if (ramp.shape.type !== 'formula') return [];
    const keys = project.parameters.map((entry) => entry.key);
    const error = formulaError(ramp.shape.text, keys, ramp.axis);
    const row = table.rows.get(key);
    const found = (position: number, reason: string): Found[] => {
      const slot = project.slots[position - 1];
      if (!slot) return [];
      return [
        {
          slotId: slot.id,
          path: pointerOf(['parameters', key, 'ramp', 'shape', 'text']),
          sentence: `The formula of ${label} gives no number.`,
          reason: `${reason} Until it does, it counts as ${say(row?.values[position - 1] ?? 0)}, an end of its sane range.`,
        },
      ];
    };
    // A writing error concerns the whole sequence: reported once, at its start.
    if (error) return found(1, `Column ${error.column}: ${error.message}`);
    return noNumbersOf(project, parameter).flatMap(({ position, fault }) =>
      found(position, `“${fault.part}” ${fault.why} here.`),
    );
  },
};
