import type { NamedEdit } from '../authoring/edits/index.ts';
import { importProject } from '../exchange/formats/index.ts';
import { documentOf, type Project } from '../document/model/index.ts';
import { applyPatch } from '../basics/patch/index.ts';

/** The project after an edit, checked whole. @throws where the edit leaves it broken */
export function after(project: Project, edit: Pick<NamedEdit, 'patch'> | undefined): Project {
  const checked = importProject(applyPatch(documentOf(project), edit?.patch ?? []));
  if (!checked.ok) throw new Error(checked.problems[0]?.message);
  return checked.project;
}
