import { looksOf, markFigures, type Figure } from '../attempt/index.ts';
import type { Kinds, Project } from '../../document/model/index.ts';

/** A kind as a small picture round 0, 0: its mark; a hazard without one is known by its strokes. @param index its place in the project's list @param radius units */
export function kindFigures(
  project: Pick<Project, 'kinds'>,
  role: keyof Kinds,
  index: number,
  radius: number,
): Figure[] {
  const look = looksOf(project)[role][index];
  if (look) return markFigures(look, 0, 0, radius);
  const area = { x: -radius, y: -radius, width: 2 * radius, height: 2 * radius };
  return [
    { is: 'rectangle', ...area, fill: 'lossSoft' },
    { is: 'hatch', ...area, stroke: 'loss', line: 0.06 },
  ];
}
