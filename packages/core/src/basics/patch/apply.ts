import { alike } from './alike.ts';
import { PatchMisfit, type PatchOperation } from './operation.ts';
import { partsOf, placeInList } from './pointer.ts';

type Entries = Readonly<Record<string, unknown>>;
/** Result of an operation on a value, and its inverse. */
interface Applied {
  value: unknown;
  inverse: PatchOperation[];
}

const nothingAt = (pointer: string): PatchMisfit => new PatchMisfit(`There is nothing at ${pointer}.`, pointer);

/** The entry of a value that a part of a pointer names. @throws PatchMisfit where there is none */
function entryOf(value: unknown, part: string, pointer: string): unknown {
  if (Array.isArray(value)) return value[placeInList(part, value.length - 1, pointer)] as unknown;
  if (value === null || typeof value !== 'object' || !Object.hasOwn(value, part)) throw nothingAt(pointer);
  return (value as Entries)[part];
}

const valueAt = (document: unknown, pointer: string): unknown =>
  partsOf(pointer).reduce((value, part) => entryOf(value, part, pointer), document);

/** The same value with one entry changed; everything else stays the same object. */
function withEntry(value: unknown, part: string, entry: unknown): unknown {
  if (Array.isArray(value)) return (value as unknown[]).with(Number(part), entry);
  // A computed key is an entry of its own, also where it is called “__proto__”.
  return { ...(value as Entries), [part]: entry };
}

/** Changes the container of the last part of a pointer; containers on the way are copied, the rest stays the same object. */
function atParent(
  document: unknown,
  parts: readonly string[],
  pointer: string,
  change: (parent: unknown, part: string) => unknown,
): unknown {
  const [part, ...rest] = parts as [string, ...string[]];
  if (rest.length === 0) return change(document, part);
  const entry = entryOf(document, part, pointer);
  return withEntry(document, part, atParent(entry, rest, pointer, change));
}

function add(document: unknown, path: string, value: unknown): Applied {
  const parts = partsOf(path);
  if (parts.length === 0) return { value, inverse: [{ op: 'replace', path: '', value: document }] };
  let inverse: PatchOperation = { op: 'remove', path };
  const changed = atParent(document, parts, path, (parent, part) => {
    if (Array.isArray(parent)) {
      const place = part === '-' ? parent.length : placeInList(part, parent.length, path);
      inverse = { op: 'remove', path: `${path.slice(0, path.lastIndexOf('/'))}/${place}` };
      return (parent as unknown[]).toSpliced(place, 0, value);
    }
    if (parent === null || typeof parent !== 'object') throw nothingAt(path);
    if (Object.hasOwn(parent, part)) inverse = { op: 'replace', path, value: (parent as Entries)[part] };
    return withEntry(parent, part, value);
  });
  return { value: changed, inverse: [inverse] };
}

function remove(document: unknown, path: string): Applied & { removed: unknown } {
  const parts = partsOf(path);
  if (parts.length === 0)
    return { value: null, removed: document, inverse: [{ op: 'replace', path: '', value: document }] };
  let removed: unknown;
  const changed = atParent(document, parts, path, (parent, part) => {
    removed = entryOf(parent, part, path);
    if (Array.isArray(parent)) return (parent as unknown[]).toSpliced(Number(part), 1);
    const { [part]: _gone, ...rest } = parent as Entries;
    return rest;
  });
  return { value: changed, removed, inverse: [{ op: 'add', path, value: removed }] };
}

function replace(document: unknown, path: string, value: unknown): Applied {
  const parts = partsOf(path);
  if (parts.length === 0) return { value, inverse: [{ op: 'replace', path: '', value: document }] };
  let before: unknown;
  const changed = atParent(document, parts, path, (parent, part) => {
    before = entryOf(parent, part, path);
    return withEntry(parent, part, value);
  });
  return { value: changed, inverse: [{ op: 'replace', path, value: before }] };
}

function move(document: unknown, from: string, path: string): Applied {
  if (partsOf(path) && path.startsWith(`${from}/`)) throw new PatchMisfit(`${from} cannot be moved into itself.`, path);
  const taken = remove(document, from);
  const put = add(taken.value, path, taken.removed);
  const [undoPut] = put.inverse;
  // Put over nothing, it simply moves back; put over something, that comes back, too.
  const inverse: PatchOperation[] =
    undoPut?.op === 'remove' && from !== ''
      ? [{ op: 'move', from: undoPut.path, path: from }]
      : [...put.inverse, ...taken.inverse];
  return { value: put.value, inverse };
}

function given(operation: { path: string; value?: unknown }): unknown {
  if (operation.value === undefined) throw new PatchMisfit('A value is expected here.', operation.path);
  return operation.value;
}

function applyOne(document: unknown, operation: PatchOperation): Applied {
  switch (operation.op) {
    case 'add':
      return add(document, operation.path, given(operation));
    case 'remove':
      return remove(document, operation.path);
    case 'replace':
      return replace(document, operation.path, given(operation));
    case 'move':
      return move(document, operation.from, operation.path);
    case 'copy':
      return add(document, operation.path, valueAt(document, operation.from));
    case 'test': {
      if (!alike(valueAt(document, operation.path), given(operation)))
        throw new PatchMisfit(`What is at ${operation.path} is not what was expected.`, operation.path);
      return { value: document, inverse: [] };
    }
    default:
      throw new PatchMisfit(`There is no operation “${String((operation as { op: unknown }).op)}”.`, '');
  }
}

/**
 * Apply a JSON Patch (RFC 6902) and work out the patch that takes it back. The document is not changed; what the patch
 * does not touch stays the same object, so that whatever is computed from a part is computed again only when it has changed.
 *
 * @returns the changed document and its inverse, which has at most two operations for each one of the patch
 * @throws PatchMisfit with the index of the operation that does not fit
 * @example applyWithInverse({ a: 1 }, [{ op: 'replace', path: '/a', value: 2 }]) // { document: { a: 2 }, inverse: [{ op: 'replace', path: '/a', value: 1 }] }
 */
export function applyWithInverse<T>(
  document: T,
  patch: readonly PatchOperation[],
): { document: T; inverse: PatchOperation[] } {
  let current: unknown = document;
  const inverse: PatchOperation[][] = [];
  patch.forEach((operation, index) => {
    try {
      const applied = applyOne(current, operation);
      current = applied.value;
      inverse.push(applied.inverse);
    } catch (error) {
      if (error instanceof PatchMisfit) error.index = index;
      throw error;
    }
  });
  return { document: current as T, inverse: inverse.toReversed().flat() };
}

/** Apply a JSON Patch (RFC 6902) as `applyWithInverse` does. @throws PatchMisfit */
export const applyPatch = <T>(document: T, patch: readonly PatchOperation[]): T =>
  applyWithInverse(document, patch).document;

/** The patch that takes another back. @param document on which the patch is applied @throws PatchMisfit */
export const invert = (document: unknown, patch: readonly PatchOperation[]): PatchOperation[] =>
  applyWithInverse(document, patch).inverse;
