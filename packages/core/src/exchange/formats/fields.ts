/** One field of a file, as its schema describes it. */
export interface Field {
  /** Names from the root, with dots; `*` for each entry of a record or a list. @example 'slots.*.clock.limitSeconds' */
  path: string;
  /** @example 'number', '"win" or "loss"' */
  type: string;
  about: string;
  optional: boolean;
}

type Schema = Readonly<Record<string, unknown>>;

const isSchema = (value: unknown): value is Schema => value !== null && typeof value === 'object';

const variantsOf = (schema: Schema): Schema[] =>
  ((schema['anyOf'] ?? schema['oneOf'] ?? []) as unknown[]).filter(isSchema);

const REFERENCE = '#/$defs/';

/** The definition that a schema refers to; the schema itself where it refers to none, or to one that contains itself. */
function resolved(schema: Schema, root: Schema): Schema {
  const { $ref, ...beside } = schema;
  if (typeof $ref !== 'string') return schema;
  const found = (root['$defs'] as Record<string, Schema>)[$ref.slice(REFERENCE.length)];
  return JSON.stringify(found).includes(`"${$ref}"`) ? schema : { ...found, ...beside };
}

function typeOf(schema: Schema, root: Schema): string {
  if ('const' in schema) return JSON.stringify(schema['const']);
  if (Array.isArray(schema['enum'])) return schema['enum'].map((one) => JSON.stringify(one)).join(' or ');
  if (schema['type'] === 'array') return 'list';
  const variants = variantsOf(schema);
  if (variants.length > 0) return [...new Set(variants.map((one) => typeOf(resolved(one, root), root)))].join(' or ');
  return typeof schema['type'] === 'string' ? schema['type'] : 'anything';
}

/** Deeper than any file of ours nests what is worth reading. */
const DEEPEST = 9;

/** Every field that a schema describes, in its order. */
export function fieldsOf(root: Schema): Field[] {
  const fields: Field[] = [];
  const seen = new Set<string>();
  const visit = (given: Schema, path: string, optional: boolean, depth: number): void => {
    if (depth > DEEPEST) return;
    const schema = resolved(given, root);
    // A schema that is referred to may contain itself: it is named, and not expanded.
    if ('$ref' in schema && schema['description'] === undefined && depth > 0 && path.endsWith('*')) return;
    if (path !== '' && !seen.has(path)) {
      seen.add(path);
      fields.push({ path, type: typeOf(schema, root), about: String(schema['description'] ?? ''), optional });
    }
    const inside = (name: string): string => (path === '' ? name : `${path}.${name}`);
    const required = (schema['required'] ?? []) as string[];
    for (const [name, part] of Object.entries((schema['properties'] ?? {}) as Record<string, Schema>))
      visit(part, inside(name), !required.includes(name), depth + 1);
    if (isSchema(schema['additionalProperties'])) visit(schema['additionalProperties'], inside('*'), false, depth + 1);
    if (isSchema(schema['items'])) visit(schema['items'], inside('*'), false, depth + 1);
    for (const variant of variantsOf(schema))
      visit({ ...resolved(variant, root), description: undefined }, path, optional, depth);
  };
  visit(root, '', false, 0);
  return fields;
}
