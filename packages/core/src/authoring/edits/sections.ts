import {
  freshId,
  freshName,
  type Ground,
  type Id,
  type Level,
  type MintId,
  type Section,
} from '../../document/model/index.ts';
import { at, replaceAt, type NamedEdit } from './edit.ts';
import { editGround } from './ground.ts';

type Run = Extract<Ground, { kind: 'run' }>;

const evaluatorOf = ({ ground }: Level): Run | undefined => ('sections' in ground ? ground : undefined);

/** A section more, at the end of the list. @param like rows and pieces that it begins with */
export function addSection(
  level: Level,
  like: Pick<Section, 'rows' | 'pieces'> & Partial<Section>,
  mint: MintId = freshId,
): (NamedEdit & { id: Id }) | undefined {
  const ground = evaluatorOf(level);
  if (!ground) return undefined;
  const name = freshName(like.name ?? 'Section', new Set(ground.sections.map((section) => section.name)));
  const id = mint(name, new Set(ground.sections.map((section) => section.id)));
  const section: Section = {
    id,
    name,
    tier: like.tier ?? 1,
    weight: like.weight ?? 1,
    rows: like.rows,
    pieces: like.pieces,
  };
  return { id, ...editGround(level, { ...ground, sections: [...ground.sections, section] }, `Add ${name}`) };
}

/** Takes a section out of a run. */
export function removeSection(level: Level, id: Id): NamedEdit | undefined {
  const ground = evaluatorOf(level);
  const gone = ground?.sections.find((section) => section.id === id);
  if (!ground || !gone) return undefined;
  const sections = ground.sections.filter((section) => section !== gone);
  return editGround(level, { ...ground, sections }, `Remove ${gone.name}`);
}

/** Sets the name, the tier or the weight of a section. */
export function setSection(
  level: Level,
  section: Section,
  change: Partial<Pick<Section, 'name' | 'tier' | 'weight'>>,
): NamedEdit {
  const path = ['levels', level.id, 'ground', 'sections', section.id];
  return {
    label:
      `${change.name === undefined ? Object.keys(change).join(' and ') : 'Name'} of ${section.name}, ${level.name}`.replace(
        /^./,
        (first) => first.toUpperCase(),
      ),
    patch: Object.entries(change).map(([field, value]) => replaceAt(at(...path, field), value)),
  };
}

/** The reading whose tiers say from which pool the next section comes. */
export const setDrawnBy = (level: Level, drawnBy: Run['drawnBy']): NamedEdit => ({
  label: `What tiers of ${level.name} go by`,
  patch: [replaceAt(at('levels', level.id, 'ground', 'drawnBy'), drawnBy)],
});
