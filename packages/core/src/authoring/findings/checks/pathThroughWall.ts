import { isWall, type Grid } from '../../../play/grid/index.ts';
import type { Piece, Project } from '../../../document/model/index.ts';
import { distance, enemyKind } from '../dangers.ts';
import type { Check } from '../finding.ts';
import { foundOfPieces, onSection, pieceWords } from '../parts.ts';

interface Spot {
  x: number;
  y: number;
}

/** Places looked at along a way, units apart. */
const STEP = 0.2;

/** The first wall on the straight way between two places. */
function wallBetween(grid: Grid, from: Spot, to: Spot): Spot | undefined {
  const steps = Math.max(1, Math.ceil(distance(from, to) / STEP));
  for (let step = 0; step <= steps; step++) {
    const x = Math.floor(from.x + ((to.x - from.x) * step) / steps);
    const y = Math.floor(from.y + ((to.y - from.y) * step) / steps);
    if (isWall(grid, x, y)) return { x, y };
  }
  return undefined;
}

/** Where a piece goes, place after place: a patrol along its path, a lane from side to side. */
function wayOf(piece: Piece, project: Project, { width, height }: Grid): Spot[] {
  if (piece.piece === 'enemy' && enemyKind(project, piece.kind)?.movement === 'patrol')
    return [piece.at, ...(piece.path ?? [])];
  if (piece.piece !== 'lane') return [];
  const { x, y } = piece.at;
  return piece.towards === 'left' || piece.towards === 'right'
    ? [
        { x: 0.5, y },
        { x: width - 0.5, y },
      ]
    : [
        { x, y: 0.5 },
        { x, y: height - 0.5 },
      ];
}

/** A patrol whose way leads through a wall, or a lane that runs into one. */
export const pathThroughWall: Check<'level'> = {
  code: 'path-through-wall',
  title: 'Way through a wall',
  group: 'ground',
  severity: 'doubtful',
  source: 'judge',
  scope: 'level',
  find: (facts) =>
    foundOfPieces(facts, (piece, stretch, grid) => {
      const { project } = facts;
      const way = wayOf(piece, project, grid);
      const wall = way
        .slice(1)
        .map((to, index) => wallBetween(grid, way[index] as Spot, to))
        .find(Boolean);
      if (!wall) return undefined;
      return {
        sentence: `The way of ${pieceWords(piece, project).toLowerCase()}${onSection(stretch)} leads through a wall.`,
        reason: `It meets the wall in column ${wall.x + 1}, row ${wall.y + 1}.`,
      };
    }),
};
