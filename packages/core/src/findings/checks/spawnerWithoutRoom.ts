import { isWall, makeGrid } from '../../ground/index.ts';
import { pointerOf } from '../../model/index.ts';
import { enemyKind } from '../dangers.ts';
import type { Check, Found } from '../finding.ts';
import { pathOfPiece, pieceWords, slotOf, stretchesOf } from '../parts.ts';

/** A spawner in whose area no cell is open. */
export const spawnerWithoutRoom: Check<'level'> = {
  code: 'spawner-without-room',
  scope: 'level',
  find({ project, level }) {
    const slotId = slotOf(project, level);
    if (slotId === undefined) return [];
    return stretchesOf(level).flatMap((stretch) => {
      const grid = makeGrid(stretch.rows);
      return stretch.pieces.flatMap((piece): Found[] => {
        if (piece.piece !== 'spawner') return [];
        const movement = enemyKind(project, piece.kind)?.movement;
        if (movement === 'cross' || movement === 'circle' || movement === 'fall') return [];
        const { width, height } = piece.spread ?? { width: 0, height: 0 };
        const { x, y } = piece.at;
        for (let column = Math.floor(x - width / 2); column <= Math.floor(x + width / 2); column++)
          for (let row = Math.floor(y - height / 2); row <= Math.floor(y + height / 2); row++)
            if (!isWall(grid, column, row)) return [];
        return [
          {
            slotId,
            path: pointerOf(pathOfPiece(stretch, piece)),
            sentence: `${pieceWords(piece, project)} has no room for what it sends.`,
            reason: piece.spread ? 'Every cell of its area is wall.' : 'It lies in a wall, and has no area around it.',
          },
        ];
      });
    });
  },
};
