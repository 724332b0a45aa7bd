import { z } from 'zod';
import { ProjectDocument, PROJECT_VERSION } from '../../document/model/index.ts';
import { HandOff, HAND_OFF_VERSION, Strings, STRINGS_VERSION } from './handOff/index.ts';

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

/** JSON Schemas (2020-12) of the files that have one, by name. */
export const SCHEMAS: Readonly<Record<string, () => Record<string, unknown>>> = {
  'project.json': projectJsonSchema,
  'hand-off.json': () => ({
    ...z.toJSONSchema(HandOff, { target: 'draft-2020-12' }),
    $comment: `Stadion hand-off, version ${HAND_OFF_VERSION}.`,
  }),
  'strings.json': () => ({
    ...z.toJSONSchema(Strings, { target: 'draft-2020-12' }),
    $comment: `Stadion strings, version ${STRINGS_VERSION}.`,
  }),
};
