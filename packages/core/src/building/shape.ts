import type { Ground, Piece } from '../model/index.ts';

/** A rectangle from its upper left corner. Units. */
export interface Box {
  x: number;
  y: number;
  width: number;
  height: number;
}

export const widthOf = (ground: Pick<Ground, 'rows'>): number => ground.rows[0]?.length ?? 0;
export const heightOf = (ground: Pick<Ground, 'rows'>): number => ground.rows.length;

/** Does it cover an area, from its place to the right and down? */
export const isArea = (piece: Piece): piece is Extract<Piece, { width: number }> => 'width' in piece;

/** Room that a piece takes: its area, or a cell around its place. Units. */
export const boxOf = (piece: Piece): Box =>
  isArea(piece)
    ? { x: piece.at.x, y: piece.at.y, width: piece.width, height: piece.height }
    : { x: piece.at.x - 0.5, y: piece.at.y - 0.5, width: 1, height: 1 };

/** Does the piece lie over this cell? @param x @param y the cell's column and row */
export function coversCell(piece: Piece, x: number, y: number): boolean {
  const box = boxOf(piece);
  return box.x < x + 1 && box.x + box.width > x && box.y < y + 1 && box.y + box.height > y;
}

/** The cell that a piece is counted to: of its place. */
export const cellOf = ({ at }: Piece): { x: number; y: number } => ({ x: Math.floor(at.x), y: Math.floor(at.y) });

const between = (value: number, low: number, high: number): number =>
  Math.min(Math.max(low, high), Math.max(low, value));

/** A piece moved, no further than the ground goes; its way comes along. Units. */
export function moved<P extends Piece>(piece: P, ground: Pick<Ground, 'rows'>, dx: number, dy: number): P {
  const [width, height] = [widthOf(ground), heightOf(ground)];
  // An area stays on the ground with all of itself, where it fits; all else in the middle of the last cell at least.
  const into = (value: number, size: number, most: number): number =>
    isArea(piece) ? between(value, 0, most - size) : between(value, 0.5, most - 0.5);
  const [wide, high] = isArea(piece) ? [piece.width, piece.height] : [0, 0];
  const at = { x: into(piece.at.x + dx, wide, width), y: into(piece.at.y + dy, high, height) };
  const by = { x: at.x - piece.at.x, y: at.y - piece.at.y };
  if (piece.piece !== 'enemy' || !piece.path) return { ...piece, at };
  const path = piece.path.map(({ x, y }) => ({ x: between(x + by.x, 0, width), y: between(y + by.y, 0, height) }));
  return { ...piece, at, path };
}
