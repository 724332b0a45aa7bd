import type { Project } from '../../document/model/index.ts';
import { resolveLevel } from '../trials/index.ts';
import type { Values } from '../../document/ramps/index.ts';

/**
 * Tells whether a parameter changes anything at a level by a step up or down.
 *
 * @param position from 1; there must be a level
 * @param values where the steps begin
 */
export function actingAt(project: Project, position: number, values: Values): (key: string, step: number) => boolean {
  const asText = (at: Values): string => JSON.stringify(resolveLevel(project, position, at));
  const plain = asText(values);
  return (key, step) => [step, -step].some((by) => asText({ ...values, [key]: (values[key] ?? 0) + by }) !== plain);
}
