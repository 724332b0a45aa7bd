import { groundKindOf } from '../grounds/index.ts';
import type { Ground } from '../model/index.ts';

/** A ground on which the player moves otherwise; what stands there stays. Cells that this kind does not know are open. */
export function asKind(ground: Ground, kind: Ground['kind']): Ground {
  const { cells } = groundKindOf(kind);
  const rows = ground.rows.map((row) => [...row].map((cell) => (cells.includes(cell) ? cell : '.')).join(''));
  return { ...ground, kind, rows } as Ground;
}
