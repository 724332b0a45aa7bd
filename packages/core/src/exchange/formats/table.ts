import type { Project } from '../../document/model/index.ts';
import { rampTable, toSignificant } from '../../document/ramps/index.ts';

/** Every parameter's value at every slot, as rows to be written as CSV. */
export interface ParameterTable {
  header: string[];
  rows: (string | number)[][];
}

/** One row per slot in the order of the sequence: position, slot, level, then one column per parameter key. */
export function parameterTable(project: Project): ParameterTable {
  const { slotIds, rows } = rampTable(project);
  const keys = project.parameters.map((parameter) => parameter.key);
  return {
    header: ['position', 'slot', 'level', ...keys],
    rows: slotIds.map((slotId, index) => {
      const level = project.levels[project.slots[index]?.levelId ?? ''];
      return [
        index + 1,
        slotId,
        level?.name ?? '',
        ...keys.map((key) => toSignificant(rows.get(key)?.values[index] ?? 0)),
      ];
    }),
  };
}
