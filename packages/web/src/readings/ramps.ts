import type { Project } from '@stadion/core/document/model';
import { rampTable, type RampTable } from '@stadion/core/document/ramps';
import { useMemo } from 'react';
import { useProject } from '../store/hooks.ts';

const kept = new WeakMap<Project, Map<number, RampTable>>();
/** The document whose ramps were worked out last, by how far: the next one mostly differs from it in one parameter. */
const latest = new Map<number, Project>();

/** All ramps of a document. Rows that an edit has not changed are the very ones of the document before. @param positions how far */
export function rampsOf(project: Project, positions = project.slots.length): RampTable {
  const known = kept.get(project)?.get(positions);
  if (known) return known;
  const before = latest.get(positions);
  const earlier = before && kept.get(before)?.get(positions);
  const table = rampTable(project, positions, earlier && { project: before, table: earlier });
  const tables = kept.get(project) ?? new Map<number, RampTable>();
  kept.set(project, tables.set(positions, table));
  latest.set(positions, project);
  return table;
}

/** All ramps of the open project, continued past its end by a number of levels. */
export function useRamps(levelsPastEnd = 0): RampTable {
  const project = useProject();
  return useMemo(() => rampsOf(project, project.slots.length + levelsPastEnd), [project, levelsPastEnd]);
}
