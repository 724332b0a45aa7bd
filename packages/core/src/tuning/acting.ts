import type { Project } from '../model/index.ts';
import { prepareGame } from '../trials/index.ts';
import type { Values } from '../ramps/index.ts';

/**
 * Tells whether a parameter changes anything at a level by a step up or down.
 *
 * @param position from 1; there must be a level
 * @param values where the steps begin
 */
export function actingAt(project: Project, position: number, values: Values): (key: string, step: number) => boolean {
  const asText = (at: Values): string => JSON.stringify(prepareGame(project, position, at));
  const plain = asText(values);
  return (key, step) => [step, -step].some((by) => asText({ ...values, [key]: (values[key] ?? 0) + by }) !== plain);
}
