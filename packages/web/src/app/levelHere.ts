import type { Level, Project } from '@stadion/core/model';
import { placedOn, type Names, type Placed } from '@stadion/core/rules';
import { valuesAt, type Values } from '@stadion/core/ramps';

/** The level at a slot with everything that its sentences need. */
export interface LevelHere {
  project: Project;
  level: Level;
  slotId: string;
  position: number;
  values: Values;
  placed: Placed;
  names: Names;
}

/** @returns undefined where the sequence has no such position */
export function levelHere(project: Project, position: number): LevelHere | undefined {
  const slot = project.slots[position - 1];
  const level = slot && project.levels[slot.levelId];
  if (!slot || !level) return undefined;
  const values = valuesAt(project, position);
  const goals: Record<string, string> = {};
  for (const piece of level.ground.pieces) if (piece.piece === 'goal') goals[piece.id] = piece.name;
  const { words, kinds, parameters } = project;
  return {
    project,
    level,
    slotId: slot.id,
    position,
    values,
    placed: placedOn(project, level, values),
    names: { words, kinds, parameters, goals },
  };
}
