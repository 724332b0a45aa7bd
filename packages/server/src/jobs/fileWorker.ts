import type { ProjectDocument } from '@stadion/core/document/model';
import { failuresOf, makeFile, readFile, type FileReading } from '@stadion/files';
import type { FileToMake, ProjectToCheck } from './files.ts';

/** A task with its document as JSON text: a thread is handed text several times faster than what it says. */
export type InText<T extends { document: ProjectDocument }> = Omit<T, 'document'> & { document: string };

const documentOf = (text: string): ProjectDocument => JSON.parse(text) as ProjectDocument;

/** Tasks of a thread for files, by name. */
export const read = (text: string): FileReading => readFile(text);
export const make = ({ name, document, rates }: InText<FileToMake>): string =>
  makeFile(name, documentOf(document), rates);
export const failures = ({ document, forecasts }: InText<ProjectToCheck>): string[] =>
  failuresOf(documentOf(document), forecasts);
