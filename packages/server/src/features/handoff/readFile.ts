import type { FaultyPlace } from '@stadion/core/contract';
import { importProject } from '@stadion/core/formats';
import type { ProjectDocument } from '@stadion/core/model';
import { lineAndColumn, placeFaults, syntaxFaults } from './locate.ts';

/** A file as a document, or what is wrong with it and where. */
export type FileReading =
  { ok: true; document: ProjectDocument } | { ok: false; detail: string; places: FaultyPlace[] };

/** Brackets inside brackets beyond this are no project; reading them could exhaust the stack. */
const DEEPEST = 100;
/** No object of a project has more entries, and no list more items. */
const MOST_ENTRIES = 4000;

/** The place at which a text is nested too deep, if it is. Strings are passed over. */
function tooDeepAt(text: string): number | undefined {
  let depth = 0;
  for (let at = 0; at < text.length; at++) {
    const character = text[at];
    if (character === '"') {
      for (at++; at < text.length && text[at] !== '"'; at++) if (text[at] === '\\') at++;
    } else if (character === '[' || character === '{') {
      if (++depth > DEEPEST) return at;
    } else if (character === ']' || character === '}') depth--;
  }
  return undefined;
}

/** The pointer to something with more entries than anything in a project, if there is one: found before every one of them is checked. */
function tooManyIn(value: unknown, path: string): string | undefined {
  if (value === null || typeof value !== 'object') return undefined;
  const entries = Object.entries(value);
  if (entries.length > MOST_ENTRIES) return path;
  for (const [name, entry] of entries) {
    const inner = tooManyIn(entry, `${path}/${name.slice(0, 60)}`);
    if (inner !== undefined) return inner;
  }
  return undefined;
}

const refused = (detail: string, places: FaultyPlace[]): FileReading => ({ ok: false, detail, places });

/** Reads a project file. May take seconds for the largest ones: called in a thread of its own. */
export function readFile(text: string): FileReading {
  const deep = tooDeepAt(text);
  if (deep !== undefined) {
    const message = `This is nested more than ${DEEPEST} deep: no project is.`;
    return refused(message, [{ message, ...lineAndColumn(text, deep) }]);
  }
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return refused('The file is not JSON.', syntaxFaults(text));
  }
  const many = tooManyIn(value, '');
  if (many !== undefined) {
    const message = `Something has more than ${MOST_ENTRIES} entries: no part of a project has.`;
    return refused(message, [{ message, pointer: many }]);
  }
  const result = importProject(value);
  if (result.ok) return { ok: true, document: result.document };
  return refused(result.problems[0]?.message ?? 'The file is not a project.', placeFaults(text, result.problems));
}
