import { z } from 'zod';
import { ProjectDocument, PROJECT_VERSION } from '../model/index.ts';

/** JSON Schema (2020-12) of the project file, generated from the schemas that the application itself checks by. */
export function projectJsonSchema(): Record<string, unknown> {
  const schema = z.toJSONSchema(ProjectDocument, { io: 'input', target: 'draft-2020-12' }) as Record<string, unknown>;
  const properties = { $schema: { type: 'string' }, ...(schema['properties'] as Record<string, unknown>) };
  return {
    ...schema,
    $comment: `Stadion project file, version ${PROJECT_VERSION}. References between parts (a slot's level, a rule's zone) are checked on import besides.`,
    properties,
  };
}
