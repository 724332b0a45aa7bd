import { namesFor, resolvingAt } from '../attempt/index.ts';
import type { Project } from '../model/index.ts';
import { rampTable, valuesIn, type Values } from '../ramps/index.ts';
import { rulesOf } from '../rules/index.ts';
import { alreadyTrue } from './checks/alreadyTrue.ts';
import { formulaCycle } from './checks/formulaCycle.ts';
import { formulaWrong } from './checks/formulaError.ts';
import { expectationNotMet } from './checks/expectationNotMet.ts';
import { starUnreachable } from './checks/starUnreachable.ts';
import { targetBeyondPlaced } from './checks/targetBeyondPlaced.ts';
import type { Check, Finding } from './finding.ts';

const CHECKS: readonly Check[] = [
  alreadyTrue,
  targetBeyondPlaced,
  starUnreachable,
  formulaWrong,
  formulaCycle,
  expectationNotMet,
];

/**
 * Everything found at one position.
 *
 * @param position from 1; a position without a level has no findings
 * @param values of all parameters there, where they are known already
 */
export function findingsAt(project: Project, position: number, values?: Values): Finding[] {
  const slot = project.slots[position - 1];
  const level = slot && project.levels[slot.levelId];
  if (!slot || !level) return [];
  const resolving = resolvingAt(project, level, position, values);
  const names = namesFor(project, level);
  const rules = rulesOf(project, level);
  const { placed } = resolving;
  const place = {
    project,
    level,
    position,
    slotId: slot.id,
    values: resolving.values,
    placed,
    names,
    rules,
    resolving,
  };
  return CHECKS.flatMap((check) => check.check(place));
}

/** Everything found in the whole sequence, in its order. */
export function findingsOf(project: Project): Finding[] {
  const table = rampTable(project);
  return project.slots.flatMap((_, index) => findingsAt(project, index + 1, valuesIn(table, index + 1)));
}
