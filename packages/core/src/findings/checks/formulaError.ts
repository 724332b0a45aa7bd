import type { Parameter } from '../../model/index.ts';
import { pointerOf } from '../../model/index.ts';
import { courseAt, formulaError, isPinned } from '../../ramps/index.ts';
import { say, type Check, type Finding, type Place } from '../finding.ts';

/** What a formula cannot say here, and why; undefined where it says a number. */
function trouble({ ramp, pins }: Parameter, { project, position, slotId, values }: Place): string | undefined {
  const { shape, axis } = ramp;
  if (shape.type !== 'formula') return undefined;
  const plain = axis === undefined;
  const value = courseAt(ramp, plain ? position : 0, {
    axis,
    first: plain ? 1 : 0,
    levels: project.slots.length,
    level: position,
    bands: plain ? project.tiers : (project.liveTiers?.[axis] ?? []),
    parameterAt: (key) => values[key] ?? Number.NaN,
  });
  if (Number.isFinite(value)) return undefined;
  const keys = project.parameters.map(({ key }) => key);
  const error = formulaError(shape.text, keys, axis);
  // How it is written concerns the whole sequence: told once, at its start.
  if (error) return position === 1 ? `Column ${error.column}: ${error.message}` : undefined;
  if (isPinned({ pins }, slotId)) return undefined;
  return Number.isNaN(value) ? 'It comes to no number here.' : 'It divides by zero here.';
}

/** A formula that cannot be read, or that gives no number at a level. */
export const formulaWrong: Check = {
  code: 'formula-error',
  check: (place) =>
    place.project.parameters.flatMap((parameter, index): Finding[] => {
      const reason = trouble(parameter, place);
      if (reason === undefined) return [];
      const value = place.values[parameter.key] ?? 0;
      return [
        {
          code: 'formula-error',
          severity: 'surely wrong',
          slotId: place.slotId,
          path: pointerOf(['parameters', index, 'ramp', 'shape', 'text']),
          sentence: `The formula of ${parameter.label} gives no number.`,
          reason: `${reason} Until it does, it counts as ${say(value)}, an end of its sane range.`,
        },
      ];
    }),
};
