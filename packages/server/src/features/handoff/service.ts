import { exportProject, importProject, parameterTable } from '@stadion/core/formats';
import type { Project, ProjectDocument } from '@stadion/core/model';
import papaparse from 'papaparse';
import { StadionError } from '../../http/errors.ts';
import { placeFaults, syntaxFaults } from './locate.ts';

/** The project file as it is handed over: one thing a line, so that version control shows what changed. */
export const projectFile = (document: ProjectDocument): string =>
  `${JSON.stringify(exportProject(document), null, 2)}\n`;

/** Every parameter's value at every slot (RFC 4180). Text that a spreadsheet would run as a formula is kept as text. */
export function parameterFile(project: Project): string {
  const { header, rows } = parameterTable(project);
  return `${papaparse.unparse({ fields: header, data: rows }, { newline: '\r\n', escapeFormulae: /^[=+@\t\r]|^-(?!\d)/ })}\r\n`;
}

/** A file name from a project's name. @example fileName('Home Before Dusk', 'json') // 'home-before-dusk.json' */
export function fileName(name: string, ending: string): string {
  const stem = name
    .toLowerCase()
    .replaceAll(/[^a-z0-9]+/g, '-')
    .replaceAll(/^-|-$/g, '');
  return `${stem === '' ? 'project' : stem}.${ending}`;
}

const refused = (detail: string, places: Parameters<typeof placeFaults>[1] | undefined, text: string): StadionError =>
  new StadionError('bad-file', detail, {
    places: places ? placeFaults(text, places) : syntaxFaults(text),
    kept: 'Nothing was imported; your projects are as they were.',
  });

/** Read a project file, or say where it is broken. */
export function readProjectFile(text: string): ProjectDocument {
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    throw refused('The file is not JSON.', undefined, text);
  }
  const result = importProject(value);
  if (result.ok) return result.document;
  const [first] = result.problems;
  throw refused(first?.message ?? 'The file is not a project.', result.problems, text);
}
