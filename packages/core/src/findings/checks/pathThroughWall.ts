import { isWall, makeGrid, type Grid } from '../../ground/index.ts';
import { pointerOf } from '../../model/index.ts';
import { distance, enemyKind } from '../dangers.ts';
import type { Check, Found } from '../finding.ts';
import { onSection, pathOfPiece, pieceWords, slotOf, stretchesOf } from '../parts.ts';

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

/** A patrol whose way leads through a wall, or a lane that runs into one. */
export const pathThroughWall: Check<'level'> = {
  code: 'path-through-wall',
  scope: 'level',
  find({ project, level }) {
    const slotId = slotOf(project, level);
    if (slotId === undefined) return [];
    return stretchesOf(level).flatMap((stretch) => {
      const grid = makeGrid(stretch.rows);
      return stretch.pieces.flatMap((piece): Found[] => {
        let wall: Spot | undefined;
        if (piece.piece === 'enemy' && enemyKind(project, piece.kind)?.movement === 'patrol') {
          const way = [piece.at, ...(piece.path ?? [])];
          wall = way
            .slice(1)
            .map((to, index) => wallBetween(grid, way[index] as Spot, to))
            .find(Boolean);
        } else if (piece.piece === 'lane') {
          const along = piece.towards === 'left' || piece.towards === 'right';
          const { x, y } = piece.at;
          wall = along
            ? wallBetween(grid, { x: 0.5, y }, { x: grid.width - 0.5, y })
            : wallBetween(grid, { x, y: 0.5 }, { x, y: grid.height - 0.5 });
        }
        if (!wall) return [];
        return [
          {
            slotId,
            path: pointerOf(pathOfPiece(stretch, piece)),
            sentence: `The way of ${pieceWords(piece, project).toLowerCase()}${onSection(stretch)} leads through a wall.`,
            reason: `It meets the wall in column ${wall.x + 1}, row ${wall.y + 1}.`,
          },
        ];
      });
    });
  },
};
