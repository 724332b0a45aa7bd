import type { PatchOperation } from '../../basics/patch/index.ts';
import { pointerOf } from '../../document/model/index.ts';

/** A named change of the document, as a JSON Patch. */
export interface NamedEdit {
  label: string;
  patch: PatchOperation[];
}

/** A JSON pointer. @example at('levels', 'clover-steps', 'name') */
export const at = (...parts: (string | number)[]): string => pointerOf(parts);

export const replaceAt = (path: string, value: unknown): PatchOperation => ({
  op: 'replace',
  path,
  value,
});
export const addAt = (path: string, value: unknown): PatchOperation => ({ op: 'add', path, value });
export const removeAt = (path: string): PatchOperation => ({ op: 'remove', path });

/** Sets, adds or removes an optional entry. */
export function setOptional(path: string, before: unknown, after: unknown): PatchOperation[] {
  if (after === undefined) return before === undefined ? [] : [removeAt(path)];
  return [before === undefined ? addAt(path, after) : replaceAt(path, after)];
}
