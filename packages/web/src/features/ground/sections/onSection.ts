import { namesFor } from '@stadion/core/play/attempt';
import { withSectionAsGround } from '@stadion/core/authoring/building';
import type { Id } from '@stadion/core/document/model';
import type { LevelContext } from '../../../readings/levelContext.ts';

/** The level as if a section of its run were all of its ground: what is shown of a ground and done to it goes for a section, too. */
export function onSection(here: LevelContext, section: Id | undefined): LevelContext {
  const ground = withSectionAsGround(here.level.ground, section);
  if (ground === here.level.ground || section === undefined) return here;
  const level = { ...here.level, ground };
  const project = { ...here.project, levels: { ...here.project.levels, [level.id]: level } };
  return { ...here, project, level, names: namesFor(project, level), section };
}
