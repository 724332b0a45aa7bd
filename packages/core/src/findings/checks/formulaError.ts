import type { Parameter } from '../../model/index.ts';
import { pointerOf } from '../../model/index.ts';
import { courseAt, cyclesOf, formulaError, isPinned, seriesOf } from '../../ramps/index.ts';
import { say, type Check, type Finding, type Place } from '../finding.ts';

/** What a formula cannot say here, and why; undefined where it says a number. */
function trouble(parameter: Parameter, place: Place): string | undefined {
  const { shape, axis } = parameter.ramp;
  const { project, position } = place;
  if (shape.type !== 'formula') return undefined;
  const error = formulaError(
    shape.text,
    project.parameters.map(({ key }) => key),
    axis,
  );
  // How it is written concerns the whole sequence: told once, at its start.
  if (error) return position === 1 ? `Column ${error.column}: ${error.message}` : undefined;
  if (isPinned(parameter, place.slotId)) return undefined;
  const context = seriesOf(project).contextOf(parameter, position);
  const value = courseAt(parameter.ramp, axis === undefined ? position : 0, context);
  if (Number.isFinite(value)) return undefined;
  return Number.isNaN(value) ? 'It comes to no number here.' : 'It divides by zero here.';
}

/** A formula that cannot be read, or that gives no number at a level. */
export const formulaWrong: Check = {
  code: 'formula-error',
  check: (place) => {
    if (place.project.parameters.every(({ ramp }) => ramp.shape.type !== 'formula')) return [];
    const circular = new Set(cyclesOf(place.project.parameters).flat());
    return place.project.parameters.flatMap((parameter, index): Finding[] => {
      if (circular.has(parameter.key)) return [];
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
    });
  },
};
