import type { Project } from '../schema/project.ts';

/** The slot's number from 1, or 0 when there is no such slot. */
export function positionOf(project: Pick<Project, 'slots'>, slotId: string): number {
  return project.slots.findIndex((slot) => slot.id === slotId) + 1;
}
