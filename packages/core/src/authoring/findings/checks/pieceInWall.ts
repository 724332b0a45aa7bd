import { isWall, type Grid } from '../../../play/grid/index.ts';
import { pointerOf, type Piece, type Project } from '../../../document/model/index.ts';
import { distance, enemyKind } from '../dangers.ts';
import type { Check, Mend } from '../finding.ts';
import { foundOfPieces, onSection, pathOfPiece, pieceWords } from '../parts.ts';

/** Ways of moving that go through walls. */
const THROUGH_WALLS: ReadonlySet<string> = new Set(['cross', 'circle', 'fall']);

/** Does a piece have to lie in the open? What covers an area may begin in a wall; emitters shoot out of walls. */
function needsRoom(piece: Piece, project: Project): boolean {
  if (piece.piece === 'collectable' || piece.piece === 'latch' || piece.piece === 'checkpoint') return true;
  return piece.piece === 'enemy' && !THROUGH_WALLS.has(enemyKind(project, piece.kind)?.movement ?? 'cross');
}

/** The middle of the open cell that is nearest to a place. */
function nearestOpen(grid: Grid, to: { x: number; y: number }): { x: number; y: number } | undefined {
  let best: { x: number; y: number } | undefined;
  let least = Number.POSITIVE_INFINITY;
  for (let row = 0; row < grid.height; row++)
    for (let column = 0; column < grid.width; column++) {
      const away = distance({ x: column + 0.5, y: row + 0.5 }, to);
      if (away >= least || isWall(grid, column, row)) continue;
      least = away;
      best = { x: column + 0.5, y: row + 0.5 };
    }
  return best;
}

/** A piece whose middle lies in a wall. */
export const pieceInWall: Check<'level'> = {
  code: 'piece-in-wall',
  title: 'Piece in a wall',
  group: 'ground',
  severity: 'surely wrong',
  source: 'judge',
  scope: 'level',
  find: (facts) =>
    foundOfPieces(facts, (piece, stretch, grid) => {
      const { project } = facts;
      const { x, y } = piece.at;
      if (!needsRoom(piece, project) || !isWall(grid, Math.floor(x), Math.floor(y))) return undefined;
      const open = nearestOpen(grid, piece.at);
      const path = pointerOf([...pathOfPiece(stretch, piece), 'at']);
      const mend: Mend | undefined = open && {
        label: 'Move it into the open',
        patch: [{ op: 'replace', path, value: open }],
      };
      return {
        sentence: `${pieceWords(piece, project)}${onSection(stretch)} lies in a wall.`,
        reason: `Its middle is in column ${Math.floor(x) + 1}, row ${Math.floor(y) + 1}, which is wall.`,
        ...(mend ? { mend } : {}),
      };
    }),
};
