import { importProject } from '@stadion/core/exchange/formats';
import type { ProjectDocument } from '@stadion/core/document/model';
import { StadionError } from '../http/errors.ts';

/** A document that was stored under a name, brought up to this version where it is of an earlier one. @throws StadionError where it is not whole */
export function wholeDocument(name: string, stored: unknown): ProjectDocument {
  const checked = importProject(stored);
  if (checked.ok) return checked.document;
  throw new StadionError('bad-document', `“${name}” is not whole: ${checked.problems[0]?.message ?? ''}`);
}
