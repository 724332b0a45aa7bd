import type { FaultyPlace } from '@stadion/core/exchange/contract';
import { importProject } from '@stadion/core/exchange/formats';
import type { ProjectDocument } from '@stadion/core/document/model';
import { placeFaults, syntaxFaults } from './locate.ts';
import { jsonText, projectFile } from './project.ts';

/*
 * A project as a folder: `project.json` with all but the levels, and `levels/ID.json` for each. Two people who work on
 * different levels then change different files.
 */

const PROJECT = 'project.json';
const levelFile = (id: string): string => `levels/${id}.json`;
const levelOf = (file: string): string | undefined => /^levels\/([^/]+)\.json$/.exec(file)?.[1];

/** The files of a project's folder, by their paths in it. */
export function projectFolder(document: ProjectDocument): Record<string, string> {
  const { levels, ...rest } = JSON.parse(projectFile(document)) as { levels: Record<string, unknown> };
  return {
    [PROJECT]: jsonText(rest),
    ...Object.fromEntries(Object.entries(levels).map(([id, level]) => [levelFile(id), jsonText(level)])),
  };
}

/** A folder as a document, or what is wrong with it and in which file. */
export type FolderReading =
  | { ok: true; document: ProjectDocument }
  | { ok: false; detail: string; places: (FaultyPlace & { file: string })[] };

/** @param files by their paths in the folder; others than those of a project are not looked at */
export function readFolder(files: Readonly<Record<string, string>>): FolderReading {
  const text = files[PROJECT];
  if (text === undefined) return { ok: false, detail: `The folder has no ${PROJECT}.`, places: [] };
  const names = [PROJECT, ...Object.keys(files).filter((file) => levelOf(file) !== undefined)];
  const broken = names.flatMap((file) => {
    const faults = syntaxFaults(files[file] as string);
    return faults.map((fault) => ({ file, ...fault }));
  });
  if (broken.length > 0) return { ok: false, detail: `${broken[0]?.file} is not JSON.`, places: broken };
  const levels = Object.fromEntries(
    names.slice(1).map((file) => [levelOf(file) as string, JSON.parse(files[file] as string) as unknown]),
  );
  const rest = JSON.parse(text) as Record<string, unknown>;
  const result = importProject({ ...rest, levels });
  if (result.ok) return { ok: true, document: result.document };
  return {
    ok: false,
    detail: result.problems[0]?.message ?? 'The folder is not a project.',
    places: result.problems.flatMap(({ path, message }) => {
      const [first, id, ...inside] = path;
      const file = first === 'levels' && levelFile(String(id)) in files ? levelFile(String(id)) : PROJECT;
      const at = file === PROJECT ? path : inside;
      return placeFaults(files[file] as string, [{ path: at, message }]).map((place) => ({ file, ...place }));
    }),
  };
}
