import type { Cell } from '@stadion/core/authoring/building';
import type { Ground, Id, Piece } from '@stadion/core/document/model';
import type { LevelContext } from '../../readings/levelContext.ts';
import { piecesAt } from './gestures.ts';

/** Name of a piece: its own, or its kind and number. */
export const nameOfPiece = ({ names }: Pick<LevelContext, 'names'>, piece: Piece): string => {
  const name = names.pieces[piece.id] ?? (piece.piece === 'start' ? 'Start' : piece.id);
  return name.charAt(0).toUpperCase() + name.slice(1);
};

const CELL_WORDS: Readonly<Record<string, string>> = { '#': 'wall', '.': 'open', '~': 'no ground' };

/** A cell and what is on it. @example 'column 3, row 4: open; Clover 2 (held)' */
export function cellInWords(here: LevelContext, ground: Ground, cell: Cell, held: ReadonlySet<Id>): string {
  const pieces = piecesAt(ground, cell).map(
    (piece) => `${nameOfPiece(here, piece)}${held.has(piece.id) ? ' (held)' : ''}`,
  );
  const kind = CELL_WORDS[ground.rows[cell.y]?.[cell.x] ?? '.'] ?? 'open';
  return `column ${cell.x + 1}, row ${cell.y + 1}: ${[kind, ...pieces].join('; ')}`;
}
