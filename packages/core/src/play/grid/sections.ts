import type { Ground, Piece, Section } from '../../document/model/index.ts';

const NO_SECTIONS: readonly Section[] = [];
/** The sections of a ground; none where it is all one. */
export const sectionsOf = (ground: Ground): readonly Section[] =>
  'sections' in ground ? ground.sections : NO_SECTIONS;

/** Every piece of a ground and of its sections. */
export function allPiecesOf(ground: Ground): readonly Piece[] {
  const sections = sectionsOf(ground);
  return sections.length === 0 ? ground.pieces : [...ground.pieces, ...sections.flatMap(({ pieces }) => pieces)];
}
