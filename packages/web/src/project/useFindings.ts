import { FindingBook, type Finding } from '@stadion/core/findings';
import type { Project } from '@stadion/core/model';
import { useDeferredValue, useMemo } from 'react';
import { useProject } from './hooks.ts';

/** One for the page: documents mostly differ from the one before in one place. */
const book = new FindingBook();
const known = new WeakMap<Project, Finding[]>();

/** Everything found in a project, worked out once for all who show it. */
function findingsIn(project: Project): Finding[] {
  const found = known.get(project) ?? book.of(project);
  known.set(project, found);
  return found;
}

/** Everything found in the project, in the order of the sequence; only what an edit touched is checked again, after the edit is drawn. */
export function useFindings(): Finding[] {
  const project = useDeferredValue(useProject());
  return useMemo(() => findingsIn(project), [project]);
}
