import { exportProject, parameterTable } from '@stadion/core/formats';
import type { Project, ProjectDocument } from '@stadion/core/model';
import papaparse from 'papaparse';
import { StadionError } from '../../http/errors.ts';
import type { FileReading } from './readFile.ts';

/** The project file as it is handed over: one thing a line, so that version control shows what changed. */
export const projectFile = (document: ProjectDocument): string =>
  `${JSON.stringify(exportProject(document), null, 2)}\n`;

/** Text that a spreadsheet might run. Only text is looked at: numbers stay numbers. */
const LOOKS_LIKE_A_FORMULA = /^[\s\u00a0]*[=+\-@＝＋－＠]|^[\t\r\n]/;

/** Every parameter's value at every slot (RFC 4180). Text that a spreadsheet would run as a formula is kept as text. */
export function parameterFile(project: Project): string {
  const { header, rows } = parameterTable(project);
  return `${papaparse.unparse({ fields: header, data: rows }, { newline: '\r\n', escapeFormulae: LOOKS_LIKE_A_FORMULA })}\r\n`;
}

/** A file name from a project's name. @example fileName('Home Before Dusk', 'json') // 'home-before-dusk.json' */
export function fileName(name: string, ending: string): string {
  const stem = name
    .toLowerCase()
    .replaceAll(/[^a-z0-9]+/g, '-')
    .replaceAll(/^-|-$/g, '');
  return `${stem === '' ? 'project' : stem}.${ending}`;
}

/** The document of a file that was read. @throws StadionError with where it is broken */
export function documentFrom(reading: FileReading): ProjectDocument {
  if (reading.ok) return reading.document;
  throw new StadionError('bad-file', reading.detail, {
    places: reading.places,
    kept: 'Nothing was imported; your projects are as they were.',
  });
}
