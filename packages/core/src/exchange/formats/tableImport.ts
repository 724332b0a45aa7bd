import type { Parameter, Project } from '../../document/model/index.ts';
import { rampTable, toSignificant } from '../../document/ramps/index.ts';

/** A cell whose value is another than the project's. */
export interface CellDifference {
  key: string;
  slotId: string;
  position: number;
  before: number;
  after: number;
}

/** Changes by a table, and the parts of it that are left out; or its first problems. */
export type TableReading =
  | { ok: true; changes: CellDifference[]; notes: string[] }
  | { ok: false; problems: { line: number; message: string }[] };

const MOST_PROBLEMS = 20;
/** Columns that only say which row it is. */
const ROW_NAMES = ['position', 'slot', 'level'];

/**
 * Reads a table of parameter values, as `parameterTable` writes it or a part of it: a column per parameter by its key or
 * label, a row per slot by its id, or by its position. An empty cell changes nothing. Values that are the project's own,
 * as they are written out, are no differences: what is exported and imported again changes nothing.
 *
 * @param rows the header first, cells as text
 */
export function readParameterTable(project: Project, rows: readonly (readonly string[])[]): TableReading {
  const [header = [], ...lines] = rows;
  const names = header.map((name) => name.trim());
  const problems: { line: number; message: string }[] = [];
  const notes: string[] = [];
  const parameterOf = (name: string): Parameter | undefined =>
    project.parameters.find(({ key }) => key === name) ??
    project.parameters.find(({ label }) => label.toLowerCase() === name.toLowerCase());
  const columns = names.map((name) => (ROW_NAMES.includes(name.toLowerCase()) ? undefined : parameterOf(name)));
  const unknown = names.filter(
    (name, index) => !columns[index] && !ROW_NAMES.includes(name.toLowerCase()) && name !== '',
  );
  const slotColumn = names.findIndex((name) => name.toLowerCase() === 'slot');
  const positionColumn = names.findIndex((name) => name.toLowerCase() === 'position');
  if (columns.every((column) => !column))
    return {
      ok: false,
      problems: [{ line: 1, message: 'No column is named after a parameter, by its key or its label.' }],
    };
  if (slotColumn < 0 && positionColumn < 0)
    return {
      ok: false,
      problems: [{ line: 1, message: 'A column “slot” or “position” must say which level a row is.' }],
    };
  if (unknown.length > 0)
    notes.push(`Left aside: ${unknown.map((name) => `“${name}”`).join(', ')}, no such parameter.`);

  const table = rampTable(project);
  const changes: CellDifference[] = [];
  const seen = new Map<number, number>();
  lines.forEach((cells, index) => {
    const line = index + 2;
    if (cells.every((cell) => cell.trim() === '')) return;
    const id = (cells[slotColumn] ?? '').trim();
    const at = (cells[positionColumn] ?? '').trim();
    const position = id === '' ? Number(at) : project.slots.findIndex((slot) => slot.id === id) + 1;
    const slot = project.slots[position - 1];
    if (!slot) {
      problems.push({
        line,
        message: id === '' ? `There is no level at position “${at}”.` : `There is no slot “${id}”.`,
      });
      return;
    }
    if (seen.has(position))
      problems.push({ line, message: `Level ${position} is on line ${seen.get(position)} already.` });
    seen.set(position, line);
    columns.forEach((parameter, column) => {
      const text = (cells[column] ?? '').trim();
      if (!parameter || text === '') return;
      const after = Number(text);
      if (!Number.isFinite(after)) {
        problems.push({ line, message: `${parameter.label}: “${text.slice(0, 30)}” is not a number.` });
        return;
      }
      const before = table.rows.get(parameter.key)?.values[position - 1] ?? 0;
      if (toSignificant(after) !== toSignificant(before))
        changes.push({ key: parameter.key, slotId: slot.id, position, before, after });
    });
  });
  if (problems.length > 0) return { ok: false, problems: problems.slice(0, MOST_PROBLEMS) };
  const left = project.slots.length - seen.size;
  if (left > 0)
    notes.push(
      `${left} level${left === 1 ? ' is' : 's are'} not in it and stay${left === 1 ? 's' : ''} as ${left === 1 ? 'it is' : 'they are'}.`,
    );
  return { ok: true, changes, notes };
}
