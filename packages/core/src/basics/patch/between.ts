import { alike } from './alike.ts';
import type { PatchOperation } from './operation.ts';

const isEntries = (value: unknown): value is Readonly<Record<string, unknown>> =>
  value !== null && typeof value === 'object' && !Array.isArray(value);

const escape = (part: string): string => part.replaceAll('~', '~0').replaceAll('/', '~1');

/** Where lists differ in length, or values in kind, the whole is replaced. */
function collect(from: unknown, to: unknown, path: string, patch: PatchOperation[]): void {
  if (from === to) return;
  if (isEntries(from) && isEntries(to)) {
    for (const key of Object.keys(from))
      if (!Object.hasOwn(to, key)) patch.push({ op: 'remove', path: `${path}/${escape(key)}` });
    for (const [key, value] of Object.entries(to)) {
      const inner = `${path}/${escape(key)}`;
      if (Object.hasOwn(from, key)) collect(from[key], value, inner, patch);
      else patch.push({ op: 'add', path: inner, value });
    }
    return;
  }
  if (Array.isArray(from) && Array.isArray(to) && from.length === to.length) {
    to.forEach((value, index) => collect(from[index], value, `${path}/${index}`, patch));
    return;
  }
  if (!alike(from, to)) patch.push({ op: 'replace', path, value: to });
}

/** Limit of the operations in an edit. */
const MOST_OPERATIONS = 1500;

/**
 * A patch that leads from one document to another; parts that are the same object are not looked at. Where it would
 * have too many operations for one edit it goes by whole parts.
 */
export function patchBetween(from: object, to: object): PatchOperation[] {
  const patch: PatchOperation[] = [];
  collect(from, to, '', patch);
  if (patch.length <= MOST_OPERATIONS || !isEntries(from) || !isEntries(to)) return patch;
  return [...new Set([...Object.keys(from), ...Object.keys(to)])].flatMap((part): PatchOperation[] => {
    const path = `/${escape(part)}`;
    if (!Object.hasOwn(to, part)) return [{ op: 'remove', path }];
    if (!Object.hasOwn(from, part)) return [{ op: 'add', path, value: to[part] }];
    return alike(from[part], to[part]) ? [] : [{ op: 'replace', path, value: to[part] }];
  });
}
