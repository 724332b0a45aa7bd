import type { PatchOperation } from '@stadion/core/contract';
import { applyPatches, enablePatches, type Patch } from 'immer';
import jsonPatch from 'fast-json-patch';

enablePatches();

/** A patch that does not fit the document. */
export class PatchMisfit extends Error {}

const unescape = (part: string): string => part.replaceAll('~1', '/').replaceAll('~0', '~');

function steps(document: unknown, path: string): (string | number)[] {
  let at = document;
  return path
    .split('/')
    .slice(1)
    .map((raw) => {
      const part = unescape(raw);
      const step = Array.isArray(at) ? (part === '-' ? at.length : Number(part)) : part;
      at = at === null || typeof at !== 'object' ? undefined : (at as Record<string | number, unknown>)[step];
      return step;
    });
}

function valueAt(document: unknown, path: readonly (string | number)[]): unknown {
  let at = document;
  for (const step of path) {
    if (at === null || typeof at !== 'object' || !Object.hasOwn(at, step))
      throw new PatchMisfit(`There is nothing at /${path.join('/')}.`);
    at = (at as Record<string | number, unknown>)[step];
  }
  return at;
}

function toImmer(document: unknown, operation: PatchOperation): Patch[] {
  const path = steps(document, operation.path);
  switch (operation.op) {
    case 'test':
      return [];
    case 'add':
      valueAt(document, path.slice(0, -1));
      return [{ op: 'add', path, value: operation.value }];
    case 'replace':
      valueAt(document, path);
      return [{ op: 'replace', path, value: operation.value }];
    case 'remove':
      valueAt(document, path);
      return [{ op: 'remove', path }];
    case 'move': {
      const from = steps(document, operation.from);
      return [
        { op: 'remove', path: from },
        { op: 'add', path, value: valueAt(document, from) },
      ];
    }
  }
}

/**
 * Apply a JSON Patch (RFC 6902). What it does not touch stays the same object, so that whatever is computed from a part
 * is computed again only when that part has changed.
 *
 * @throws PatchMisfit
 */
export function applyPatch<T extends object>(document: T, patch: readonly PatchOperation[]): T {
  let current = document;
  for (const operation of patch) current = applyPatches(current, toImmer(current, operation));
  return current;
}

/** The patch that leads back from one document to another; parts that are the same object are not looked at. */
export function patchBetween(from: object, to: object): PatchOperation[] {
  return jsonPatch.compare(from, to) as PatchOperation[];
}

/** An edit holds so many operations at most. */
const MOST_OPERATIONS = 1500;

/** The patch from one document to another, by whole parts where there would be too many operations for one edit. */
export function wholePatchBetween(from: object, to: object): PatchOperation[] {
  const patch = patchBetween(from, to);
  if (patch.length <= MOST_OPERATIONS) return patch;
  const [before, after] = [from, to] as [Record<string, unknown>, Record<string, unknown>];
  return [...new Set([...Object.keys(before), ...Object.keys(after)])].flatMap((part): PatchOperation[] => {
    const [was, is] = [before[part], after[part]];
    if (JSON.stringify(was) === JSON.stringify(is)) return [];
    if (is === undefined) return [{ op: 'remove', path: `/${part}` }];
    return [{ op: was === undefined ? 'add' : 'replace', path: `/${part}`, value: is }];
  });
}
