import { sectionsOf, type Grid } from '../../play/grid/index.ts';
import { pointerOf, type Level, type Piece, type Project } from '../../document/model/index.ts';
import type { Found } from './finding.ts';
import { gridOf } from './gridOf.ts';
import type { LevelFacts } from './scopes.ts';

/** One stretch of ground with its pieces: a level's ground, or one section of it. */
export interface Stretch {
  rows: readonly string[];
  pieces: readonly Piece[];
  /** Where it stands in the document. */
  path: (string | number)[];
  /** Its name, for a section. */
  section?: string;
}

/** Every stretch of ground of a level. */
export const stretchesOf = ({ id, ground }: Level): Stretch[] => [
  { rows: ground.rows, pieces: ground.pieces, path: ['levels', id, 'ground'] },
  ...sectionsOf(ground).map(({ id: section, name, rows, pieces }) => ({
    ...{ rows, pieces, section: name },
    path: ['levels', id, 'ground', 'sections', section],
  })),
];

/** Where a piece of a stretch stands in the document. */
export const pathOfPiece = ({ path }: Stretch, { id }: Piece): (string | number)[] => [...path, 'pieces', id];

/** The first slot in which a level is played; undefined for one that is in none. */
export const slotOf = ({ slots }: Project, level: Level): string | undefined =>
  slots.find(({ levelId }) => levelId === level.id)?.id;

/** Said after the name of a piece of a section. */
export const onSection = ({ section }: Stretch): string => (section === undefined ? '' : ` on “${section}”`);

/** Returns the name of a piece, also where it has none of its own. */
export function pieceWords(piece: Piece, { kinds }: Project): string {
  if ('name' in piece) return piece.name;
  if (!('kind' in piece)) return `The ${piece.piece}`;
  const all = [...kinds.collectables, ...kinds.enemies, ...kinds.hazards];
  const name = all.find(({ id }) => id === piece.kind)?.name ?? piece.kind;
  return piece.piece === 'spawner' || piece.piece === 'emitter' || piece.piece === 'lane'
    ? `${name} ${piece.piece}`
    : name;
}

/**
 * Returns the findings about the pieces of a level in play, each at its place.
 * @param find returns the finding of a piece on a stretch; undefined where all is well
 */
export function foundOfPieces(
  { project, level }: LevelFacts,
  find: (piece: Piece, stretch: Stretch, grid: Grid) => Omit<Found, 'slotId' | 'path'> | undefined,
): Found[] {
  const slotId = slotOf(project, level);
  if (slotId === undefined) return [];
  return stretchesOf(level).flatMap((stretch) => {
    const grid = gridOf(stretch.rows);
    return stretch.pieces.flatMap((piece): Found[] => {
      const found = find(piece, stretch, grid);
      return found ? [{ slotId, path: pointerOf(pathOfPiece(stretch, piece)), ...found }] : [];
    });
  });
}

/** The first slot at which a fighter, or anybody, is met; of who is met nowhere, the first of all. */
export function firstFight({ slots, levels, bouts }: Project, fighter?: string): string {
  const groups = new Set(
    (bouts?.groups ?? []).flatMap(({ id, members }) =>
      fighter === undefined || members.some((member) => member.fighter === fighter) ? [id] : [],
    ),
  );
  const isMet = ({ levelId }: Project['slots'][number]): boolean => {
    const { bout, meetings } = levels[levelId] ?? {};
    return groups.has(bout?.group ?? '') || Object.keys(meetings?.groups ?? {}).some((id) => groups.has(id));
  };
  return (slots.find(isMet) ?? slots[0])?.id ?? '';
}
