import type { Project } from '@stadion/core/model';

const COLLECTABLES = ['var(--clover)', 'var(--lavender)', 'var(--bloom)', 'var(--win-2)', 'var(--mark)', 'var(--edit)'];

/** The colour of a kind of collectable on every picture of a ground: by its place in the project's list. */
export function colourOfKind(project: Project, kind: string): string {
  const index = project.kinds.collectables.findIndex((entry) => entry.id === kind);
  return COLLECTABLES[Math.max(0, index) % COLLECTABLES.length] as string;
}
