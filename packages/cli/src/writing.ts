import type { ProjectDocument } from '@stadion/core/model';
import { projectFile, projectFolder } from '@stadion/files';
import fs from 'node:fs';
import path from 'node:path';
import { Failure, isFolder } from './reading.ts';

/** Writes the files of a folder, each as a whole, and takes away those of levels that are no more. */
export function writeFolder(folder: string, files: Readonly<Record<string, string>>): void {
  const levels = path.join(folder, 'levels');
  try {
    fs.mkdirSync(levels, { recursive: true });
    for (const [name, text] of Object.entries(files)) writeWhole(path.join(folder, name), text);
    for (const name of fs.readdirSync(levels))
      if (name.endsWith('.json') && !(`levels/${name}` in files)) fs.rmSync(path.join(levels, name));
  } catch (error) {
    if (error instanceof Failure) throw error;
    throw new Failure(`${folder} cannot be written: ${(error as Error).message}`);
  }
}

/** Writes a project: as its folder where one is named, else as its file. */
export function writeProject({ data }: Output, document: ProjectDocument, file: string | undefined): void {
  if (file !== undefined && isFolder(file)) writeFolder(file, projectFolder(document));
  else data(projectFile(document), file);
}

/** Where a command writes and what it says. */
export interface Output {
  /** Data: to a file, or to stdout where none is named. A file is there as a whole or not at all. */
  data(text: string, file?: string): void;
  /** For people, on stderr. */
  say(text: string): void;
}

/** Writes beside the file and renames, so that whatever ends the process leaves the old file or the new one. */
function writeWhole(file: string, text: string): void {
  const draft = path.join(path.dirname(path.resolve(file)), `.${path.basename(file)}.${process.pid}`);
  try {
    fs.writeFileSync(draft, text);
    fs.renameSync(draft, file);
  } catch (error) {
    fs.rmSync(draft, { force: true });
    throw new Failure(`${file} cannot be written: ${(error as Error).message}`);
  }
}

export const output: Output = {
  data(text, file) {
    if (file === undefined || file === '-') process.stdout.write(text);
    else writeWhole(file, text);
  },
  say: (text) => void process.stderr.write(`${text}\n`),
};
