import type { Project, Ramp, ShapeType } from '../../document/model/index.ts';
import { SHAPES, sequenceContext, wantedAt } from '../../document/ramps/index.ts';
import { at, removeAt, setOptional, type NamedEdit } from './edit.ts';

/** The line of wanted clear rates; undefined for none. */
export const setWantedLine = (project: Project, line: Ramp | undefined): NamedEdit => ({
  label: line === undefined ? 'No line of wanted clear rates' : `Wanted clear rates: ${SHAPES[line.shape.type].label}`,
  patch: setOptional(at('wantedLine'), project.wantedLine, line),
});

const USUAL = { first: 0.95, last: 0.6 };

/** The line as another shape that keeps what is wanted now, as far as it can. */
export function wantedLineAs(project: Project, type: Exclude<ShapeType, 'formula'>): Ramp {
  const count = Math.max(2, project.slots.length);
  const values = Array.from(
    { length: count },
    (_, index) => wantedAt(project, index + 1) ?? USUAL.first + ((USUAL.last - USUAL.first) * index) / (count - 1),
  );
  const said = project.slots.some((_, index) => wantedAt(project, index + 1) !== undefined);
  // Without anything wanted yet, a straight way from easy to hard.
  if (!said && type === 'points')
    return {
      shape: {
        type: 'points',
        between: 'straight',
        points: [
          { position: 1, value: USUAL.first },
          { position: count, value: USUAL.last },
        ],
      },
    };
  return { ...project.wantedLine, shape: SHAPES[type].fromValues(values, sequenceContext(project)) };
}

/** Takes away what single levels say, so that the line says it for all. */
export function dropOwnWanted(project: Project): NamedEdit | undefined {
  const own = project.slots.filter(({ wanted }) => wanted !== undefined);
  if (own.length === 0) return undefined;
  return {
    label: `Wanted clear rates of ${own.length} levels by the line`,
    patch: own.map(({ id }) => removeAt(at('slots', id, 'wanted'))),
  };
}
