import type { Piece } from '../../../document/model/index.ts';
import type { Check } from '../finding.ts';
import { foundOfPieces, onSection, pieceWords } from '../parts.ts';

const cellOf = ({ at: { x, y } }: Piece): string => `column ${Math.floor(x) + 1}, row ${Math.floor(y) + 1}`;

/** Two enemies that begin on one cell. */
export const dangersOnOneCell: Check<'level'> = {
  code: 'dangers-on-one-cell',
  title: 'Two dangers on one cell',
  group: 'ground',
  severity: 'doubtful',
  source: 'judge',
  scope: 'level',
  find: (facts) =>
    foundOfPieces(facts, (piece, stretch) => {
      const { project } = facts;
      if (piece.piece !== 'enemy') return undefined;
      const before = stretch.pieces.slice(0, stretch.pieces.indexOf(piece));
      const other = before.find((one) => one.piece === 'enemy' && cellOf(one) === cellOf(piece));
      if (!other) return undefined;
      return {
        sentence: `${pieceWords(piece, project)}${onSection(stretch)} begins on the cell of another enemy.`,
        reason: `${pieceWords(other, project)} begins in ${cellOf(piece)} as well: players see one where there are two.`,
      };
    }),
};
