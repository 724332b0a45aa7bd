import { StadionError } from '../http/errors.ts';

/** Problems of the database by code, in words: the problem and the remedy. */
const TROUBLES: readonly [codes: RegExp, code: 'storage-full' | 'storage-unavailable', words: string][] = [
  [/^SQLITE_FULL/, 'storage-full', 'The disk is full: make room, then try again.'],
  [
    /^SQLITE_(READONLY|PERM|AUTH)/,
    'storage-unavailable',
    'The database may not be written: allow writing to its file and folder, then try again.',
  ],
  [/^SQLITE_(BUSY|LOCKED)/, 'storage-unavailable', 'Another program holds the database: close it, then try again.'],
  [
    /^SQLITE_(CORRUPT|NOTADB)/,
    'storage-unavailable',
    'The database file is damaged, or is no database: put back a copy of it. Copies stand beside it, named “.before-…”.',
  ],
  [
    /^SQLITE_(CANTOPEN|IOERR)/,
    'storage-unavailable',
    'The database cannot be read or written: see whether its file, folder and disk are there.',
  ],
];

const codeOf = (error: unknown): string | undefined => {
  const { code, cause } = (error ?? {}) as { code?: unknown; cause?: unknown };
  if (typeof code === 'string' && code.startsWith('SQLITE_')) return code;
  return cause === undefined ? undefined : codeOf(cause);
};

export const isBusy = (error: unknown): boolean => /^SQLITE_(BUSY|LOCKED)/.test(codeOf(error) ?? '');

/** Trouble with the storage by its name; undefined for anything else. */
export function storageTrouble(error: unknown): StadionError | undefined {
  const code = codeOf(error);
  const found = code === undefined ? undefined : TROUBLES.find(([codes]) => codes.test(code));
  if (!found) return undefined;
  return new StadionError(found[1], found[2], { kept: KEPT });
}

const KEPT = 'Nothing was changed; what was acknowledged before is kept, and your edits are still with you.';

/** The file is no longer there: what is written now would be lost with the last one who holds it. */
export const storageGone = (file: string): StadionError =>
  new StadionError('storage-unavailable', `The database file ${file} is gone: put it back, then start Stadion again.`, {
    kept: KEPT,
  });
