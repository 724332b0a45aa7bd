import type { Level, Project } from '@stadion/core/document/model';
import { rulesOf, type Names, type Placed, type RuleInForce } from '@stadion/core/play/rules';
import { namesFor, placedOn } from '@stadion/core/play/attempt';
import { valuesAt, type Values } from '@stadion/core/document/ramps';

/** The level at a slot with everything that its sentences need. */
export interface LevelContext {
  project: Project;
  level: Level;
  slotId: string;
  position: number;
  values: Values;
  placed: Placed;
  names: Names;
  /** The rules that hold here, in the order in which they act: indices of attempts and forecasts are into these. */
  rules: RuleInForce[];
  /** The section of its ground that stands for the ground, while that is edited. */
  section?: string;
}

/** @returns undefined where the sequence has no such position */
export function levelHere(project: Project, position: number): LevelContext | undefined {
  const slot = project.slots[position - 1];
  const level = slot && project.levels[slot.levelId];
  if (!slot || !level) return undefined;
  const values = valuesAt(project, position);
  return {
    project,
    level,
    slotId: slot.id,
    position,
    values,
    placed: placedOn(project, level, values),
    names: namesFor(project, level),
    rules: rulesOf(project, level),
  };
}
