import { exportProject, importProject } from '@stadion/core/exchange/formats';
import type { ProjectDocument } from '@stadion/core/document/model';

/** The text of a file of JSON: one thing a line, so that version control shows what changed. */
export const jsonText = (value: unknown): string => `${JSON.stringify(value, null, 2)}\n`;

/** The project file as it is handed over: in the order of its schema, so that the same project is the same text however it came to be. */
export function projectFile(document: ProjectDocument): string {
  const read = importProject(document);
  const { levels, ...rest } = read.ok ? read.document : document;
  // Levels have no order of their own: by their ids, a file and a folder are the same.
  const byId = Object.fromEntries(Object.entries(levels).toSorted(([one], [other]) => (one < other ? -1 : 1)));
  return jsonText(exportProject({ ...rest, levels: byId }));
}

/** A file name from a project's name. @example fileName('Home Before Dusk', 'json') // 'home-before-dusk.json' */
export function fileName(name: string, ending: string): string {
  const stem = name
    .toLowerCase()
    .replaceAll(/[^a-z0-9]+/g, '-')
    .replaceAll(/^-|-$/g, '');
  return `${stem === '' ? 'project' : stem}.${ending}`;
}
