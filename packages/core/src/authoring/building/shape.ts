import { runsAlongRow } from '../../play/attempt/index.ts';
import type { Ground, Piece } from '../../document/model/index.ts';

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

/** Does it run along a whole row or column? */
export const isLine = (piece: Piece): piece is Extract<Piece, { piece: 'lane' }> => piece.piece === 'lane';

/** Room that a piece takes on its ground: a line the whole of its row or column. Units. */
export function boxOn(ground: Pick<Ground, 'rows'>, piece: Piece): Box {
  if (!isLine(piece)) return boxOf(piece);
  const { x, y } = cellOf(piece);
  return runsAlongRow(piece)
    ? { x: 0, y, width: widthOf(ground), height: 1 }
    : { x, y: 0, width: 1, height: heightOf(ground) };
}

/** Does the piece lie over this cell? @param x @param y the cell's column and row */
export function coversCell(piece: Piece, x: number, y: number): boolean {
  if (isLine(piece)) return runsAlongRow(piece) ? cellOf(piece).y === y : cellOf(piece).x === x;
  const box = boxOf(piece);
  return box.x < x + 1 && box.x + box.width > x && box.y < y + 1 && box.y + box.height > y;
}

/** The cell that a piece is counted to: of its place. */
export const cellOf = ({ at }: Piece): { x: number; y: number } => ({ x: Math.floor(at.x), y: Math.floor(at.y) });

const between = (value: number, low: number, high: number): number => Math.min(high, Math.max(low, value));

/** A piece moved, no further than the ground goes; its way comes along, and an area is no larger than the ground. Units. */
export function moved<P extends Piece>(piece: P, ground: Pick<Ground, 'rows'>, dx: number, dy: number): P {
  const [width, height] = [widthOf(ground), heightOf(ground)];
  const [x, y] = [piece.at.x + dx, piece.at.y + dy];
  if (isArea(piece)) {
    const size = { width: Math.min(piece.width, width), height: Math.min(piece.height, height) };
    return { ...piece, ...size, at: { x: between(x, 0, width - size.width), y: between(y, 0, height - size.height) } };
  }
  // A piece without an area stands in the middle of the last cell at least.
  const at = { x: between(x, 0.5, width - 0.5), y: between(y, 0.5, height - 0.5) };
  if (piece.piece !== 'enemy' || !piece.path) return { ...piece, at };
  const by = { x: at.x - piece.at.x, y: at.y - piece.at.y };
  const path = piece.path.map((point) => ({
    x: between(point.x + by.x, 0, width),
    y: between(point.y + by.y, 0, height),
  }));
  return { ...piece, at, path };
}
