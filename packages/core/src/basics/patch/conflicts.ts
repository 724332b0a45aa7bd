import type { PatchOperation } from './operation.ts';

/** Ids start with a letter, so a number or a dash at the end of a path is a place in a list. */
const LIST_PLACE = /\/(\d+|-)$/;

/**
 * The paths that a patch touches. Putting something into a list or taking it out shifts what follows, so it touches
 * the whole list.
 */
export function touchedPaths(patch: readonly PatchOperation[]): string[] {
  const paths: string[] = [];
  for (const operation of patch) {
    if (operation.op === 'test') continue;
    const places = operation.op === 'move' ? [operation.from, operation.path] : [operation.path];
    for (const place of places) paths.push(operation.op === 'replace' ? place : place.replace(LIST_PLACE, ''));
  }
  return paths;
}

const isWithin = (inner: string, outer: string): boolean => inner === outer || inner.startsWith(`${outer}/`);

/** Do two patches made side by side touch the same thing, so that their order would matter? */
export function patchesConflict(one: readonly PatchOperation[], other: readonly PatchOperation[]): boolean {
  const others = touchedPaths(other);
  return touchedPaths(one).some((path) => others.some((their) => isWithin(path, their) || isWithin(their, path)));
}
