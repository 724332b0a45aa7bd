import type { Level, Project } from '../../document/model/index.ts';
import { numbersIn, objectiveInWords, type Resolving } from '../rules/index.ts';
import { namesFor } from './pieces/facts.ts';

/**
 * Returns the brief of a level: written by hand, or else the objective that its rules state.
 *
 * @param resolve returns the values at the slot; called only where the rules state the brief
 */
export function briefOf(project: Project, level: Level, resolve: () => Pick<Resolving, 'values' | 'placed'>): string {
  if (level.brief !== '') return level.brief;
  const { values, placed } = resolve();
  return objectiveInWords(project, level, namesFor(project, level), numbersIn(values, placed));
}
