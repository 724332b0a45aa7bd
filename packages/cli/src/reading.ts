import { projectOf, type Project, type ProjectDocument } from '@stadion/core/document/model';
import type { FaultyPlace } from '@stadion/core/exchange/contract';
import { readFile, readFolder, type FileReading, type FolderReading } from '@stadion/files';
import fs from 'node:fs';
import path from 'node:path';

/** The problem is written to stderr, and the command ends with this code. */
export class Failure extends Error {
  readonly code: number;
  constructor(message: string, code: number = EXIT.unusable) {
    super(message);
    this.code = code;
  }
}

/** Codes with which commands end. */
export const EXIT = { fine: 0, failed: 1, unusable: 2 } as const;

/** A file that is read is no larger than this. Bytes; more than twice what the server takes. */
const MOST_BYTES = 64 * 1024 * 1024;

/** All bytes of a stream. @throws Failure beyond the limit, so that an endless input ends */
async function bytesOf(stream: AsyncIterable<Buffer>, name: string): Promise<Buffer> {
  const chunks: Buffer[] = [];
  let bytes = 0;
  for await (const chunk of stream) {
    bytes += chunk.length;
    if (bytes > MOST_BYTES)
      throw new Failure(`${name} is larger than ${MOST_BYTES / 1024 / 1024} MiB: that is no project of Stadion.`);
    chunks.push(chunk);
  }
  return Buffer.concat(chunks);
}

const REPLACEMENT = '\uFFFD';

/** The text of UTF-8 bytes, without a byte order mark. @throws Failure with the place of the first byte that is no UTF-8 */
export function decoded(bytes: Buffer, name: string): string {
  const text = bytes.toString('utf8');
  for (let at = text.indexOf(REPLACEMENT); at >= 0; at = text.indexOf(REPLACEMENT, at + 1)) {
    const place = Buffer.byteLength(text.slice(0, at));
    // The sign itself may stand in a text.
    if (bytes.subarray(place, place + 3).equals(Buffer.from(REPLACEMENT))) continue;
    throw new Failure(`${name} is not UTF-8: see byte ${place + 1}. Save it as UTF-8.`);
  }
  return text.startsWith('\uFEFF') ? text.slice(1) : text;
}

/** The text of a file, or of what comes in by the pipe for “-”. @throws Failure with why it cannot be read */
export async function textOf(file: string): Promise<string> {
  if (file === '-') return decoded(await bytesOf(process.stdin, 'stdin'), 'stdin');
  try {
    if (isFolder(file)) throw new Failure(`${file} is a folder.`);
    return decoded(await bytesOf(fs.createReadStream(file), file), file);
  } catch (error) {
    if (error instanceof Failure) throw error;
    const { code } = error as NodeJS.ErrnoException;
    throw new Failure(
      code === 'ENOENT'
        ? `There is no file ${file}.`
        : code === 'EISDIR'
          ? `${file} is a folder.`
          : `${file} cannot be read: ${(error as Error).message}`,
    );
  }
}

/** A place as compilers write it. */
function inWords(file: string, { line, column, pointer, message }: FaultyPlace): string {
  const place = line === undefined ? file : `${file}:${line}:${column ?? 1}`;
  return `${place}: ${pointer === undefined || pointer === '' ? '' : `${pointer}: `}${message}`;
}

/** Is it a folder that is there? */
export const isFolder = (file: string): boolean =>
  file !== '-' && fs.existsSync(file) && fs.statSync(file).isDirectory();

/** The text files of a project's folder, by their paths in it. */
function filesIn(folder: string): Record<string, string> {
  const levels = path.join(folder, 'levels');
  const names = [
    ...(fs.existsSync(path.join(folder, 'project.json')) ? ['project.json'] : []),
    ...(isFolder(levels) ? fs.readdirSync(levels).filter((name) => name.endsWith('.json')) : []).map(
      (name) => `levels/${name}`,
    ),
  ];
  return Object.fromEntries(
    names.map((name) => [name, decoded(fs.readFileSync(path.join(folder, name)), path.join(folder, name))]),
  );
}

/** How commands name the project that they read. */
export const PROJECT_ARGUMENT = 'a project file or folder, or - for what is piped in';

/** A project that was read. */
export interface ReadProject {
  document: ProjectDocument;
  project: Project;
  /** The text that says of which version it was: the file itself, or the folder's `project.json`. */
  head: string;
}

async function reading(file: string): Promise<{ read: FileReading | FolderReading; head: string }> {
  if (isFolder(file)) {
    const files = filesIn(file);
    return { read: readFolder(files), head: files['project.json'] ?? '' };
  }
  const text = await textOf(file);
  return { read: readFile(text), head: text };
}

/** A project from its file, its folder, or what is piped in for “-”. @throws Failure with line and column of what is wrong */
export async function readProject(file: string): Promise<ReadProject> {
  const { read, head } = await reading(file);
  if (read.ok) return { document: read.document, project: projectOf(read.document), head };
  const name = file === '-' ? 'stdin' : file;
  const places = read.places.map((place) => inWords('file' in place ? path.join(name, place.file) : name, place));
  throw new Failure([read.detail, ...places].join('\n'));
}

/** Positions from a list such as “3-9,12”. @throws Failure where it is none, or beyond the sequence */
export function positionsFrom(list: string | undefined, { slots }: Project): number[] {
  if (list === undefined) return slots.map((_slot, index) => index + 1);
  const positions = list.split(',').flatMap((part) => {
    const found = /^\s*(\d+)\s*(?:-\s*(\d+)\s*)?$/.exec(part);
    const first = Number(found?.[1]);
    const last = Number(found?.[2] ?? first);
    if (!found || first < 1 || last > slots.length || first > last)
      throw new Failure(`“${part}” names no levels: write 3, or 3-9, up to ${slots.length}.`);
    return Array.from({ length: last - first + 1 }, (_, index) => first + index);
  });
  return [...new Set(positions)].toSorted((a, b) => a - b);
}
