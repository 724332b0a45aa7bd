import { allKinds } from '@stadion/core/authoring/edits';
import type { Id, Look, Project } from '@stadion/core/document/model';
import { looksOf, MARKS } from '@stadion/core/play/scene';

/** A kind of hazard without a mark of its own is known by its strokes. */
const STROKES = 'strokes';

/** Name of the kind of each mark. */
export function takenMarks(project: Project, except?: Id): Map<string, string> {
  const looks = looksOf(project);
  const all = [...looks.collectables, ...looks.enemies, ...looks.hazards];
  return new Map(
    allKinds(project).flatMap(({ kind }, index) =>
      kind.id === except ? [] : [[all[index]?.mark ?? STROKES, kind.name] as const],
    ),
  );
}

const COLOUR_OF = { collectables: 'leaf', enemies: 'claret', hazards: 'claret' } as const;

/** Marks that a new kind does not get: collectables no cut stones, enemies and hazards no flowers. */
const UNFIT: Readonly<Record<keyof typeof COLOUR_OF, ReadonlySet<string>>> = {
  collectables: new Set(['diamond', 'gem']),
  enemies: new Set(['trefoil', 'quatrefoil', 'cinquefoil', 'sixfoil']),
  hazards: new Set(['trefoil', 'quatrefoil', 'cinquefoil', 'sixfoil']),
};

/** A mark that no kind has yet. */
export function freeLook(project: Project, role: keyof typeof COLOUR_OF, colour?: string): Look {
  const taken = takenMarks(project);
  const isFree = (name: string): boolean => !taken.has(name) && !UNFIT[role].has(name);
  const mark = Object.keys(MARKS).find(isFree) ?? 'disc';
  return { mark, colour: colour ?? COLOUR_OF[role] };
}
