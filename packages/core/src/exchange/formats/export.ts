import type { ProjectDocument } from '../../document/model/index.ts';

/** The schema file stands beside the project file. */
export const SCHEMA_FILE_NAME = 'stadion-project.schema.json';

/** The project as one documented file: the document itself, with a pointer to its schema for editors. Import reads it back equal. */
export function exportProject(document: ProjectDocument): Record<string, unknown> {
  return { $schema: `./${SCHEMA_FILE_NAME}`, ...document };
}
