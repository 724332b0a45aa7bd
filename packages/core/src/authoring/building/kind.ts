import { groundKindOf } from '../../play/movement/index.ts';
import { isBarredOn, type Ground } from '../../document/model/index.ts';

/**
 * A ground on which the player moves otherwise; what can stand there stays. Cells that this kind does not know are open. A
 * run begins with no sections, and leaves them behind.
 */
export function asKind(ground: Ground, kind: Ground['kind']): Ground {
  const { cells, besides } = groundKindOf(kind);
  const rows = ground.rows.map((row) => [...row].map((cell) => (cells.includes(cell) ? cell : '.')).join(''));
  const pieces = ground.pieces.filter(({ piece }) => !isBarredOn(kind, piece));
  return { kind, rows, pieces, ...besides?.() } as Ground;
}
