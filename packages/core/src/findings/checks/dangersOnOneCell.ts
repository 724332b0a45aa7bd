import { pointerOf, type Piece } from '../../model/index.ts';
import type { Check, Found } from '../finding.ts';
import { onSection, pathOfPiece, pieceWords, slotOf, stretchesOf } from '../parts.ts';

/** Two enemies that begin on one cell. */
export const dangersOnOneCell: Check<'level'> = {
  code: 'dangers-on-one-cell',
  scope: 'level',
  find({ project, level }) {
    const slotId = slotOf(project, level);
    if (slotId === undefined) return [];
    return stretchesOf(level).flatMap((stretch) => {
      const first = new Map<string, Piece>();
      return stretch.pieces.flatMap((piece): Found[] => {
        if (piece.piece !== 'enemy') return [];
        const cell = `${Math.floor(piece.at.x)} ${Math.floor(piece.at.y)}`;
        const other = first.get(cell);
        if (!other) {
          first.set(cell, piece);
          return [];
        }
        return [
          {
            slotId,
            path: pointerOf(pathOfPiece(stretch, piece)),
            sentence: `${pieceWords(piece, project)}${onSection(stretch)} begins on the cell of another enemy.`,
            reason: `${pieceWords(other, project)} begins in column ${Math.floor(piece.at.x) + 1}, row ${Math.floor(piece.at.y) + 1} as well: players see one where there are two.`,
          },
        ];
      });
    });
  },
};
