import type { ProjectDocument } from '@stadion/core/document/model';
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

/** The file that a name leads to: links are followed, also one whose target does not exist yet. */
function targetOf(file: string): string {
  const isLink = fs.lstatSync(file, { throwIfNoEntry: false })?.isSymbolicLink() === true;
  if (!isLink) return path.resolve(file);
  return fs.existsSync(file)
    ? fs.realpathSync(file)
    : path.resolve(path.dirname(path.resolve(file)), fs.readlinkSync(file));
}

/**
 * Writes beside the file and renames, so that whatever ends the process leaves the old file or the new one. A link
 * stays a link, a file keeps its mode, and a device or a pipe is written to and never replaced.
 */
function writeWhole(file: string, text: string): void {
  let draft: string | undefined;
  try {
    const target = targetOf(file);
    const before = fs.statSync(target, { throwIfNoEntry: false });
    if (before && !before.isFile()) return fs.writeFileSync(target, text);
    draft = path.join(path.dirname(target), `.${path.basename(target)}.${process.pid}`);
    fs.writeFileSync(draft, text, before ? { mode: before.mode & 0o777 } : {});
    // The process may create files with fewer rights than the file has.
    if (before) fs.chmodSync(draft, before.mode & 0o7777);
    fs.renameSync(draft, target);
  } catch (error) {
    if (draft !== undefined) fs.rmSync(draft, { force: true });
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
