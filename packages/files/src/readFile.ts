import type { FaultyPlace } from '@stadion/core/exchange/contract';
import { importProject } from '@stadion/core/exchange/formats';
import type { ProjectDocument } from '@stadion/core/document/model';
import { oversizeIn } from './jsonSize.ts';
import { lineAndColumn, placeFaults, syntaxFaults } from './locate.ts';

/** A file as a document, or what is wrong with it and where. */
export type FileReading =
  | { ok: true; document: ProjectDocument }
  | { ok: false; detail: string; places: FaultyPlace[] };

const refused = (detail: string, places: FaultyPlace[]): FileReading => ({ ok: false, detail, places });

/** Reads a project file. May take seconds for the largest ones: called in a thread of its own. */
export function readFile(text: string): FileReading {
  const oversize = oversizeIn(text);
  if (oversize) {
    const { message, at } = oversize;
    return refused(message, [{ message, ...lineAndColumn(text, at) }]);
  }
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    return refused('The file is not JSON.', syntaxFaults(text));
  }
  const result = importProject(value);
  if (result.ok) return { ok: true, document: result.document };
  return refused(result.problems[0]?.message ?? 'The file is not a project.', placeFaults(text, result.problems));
}
