import type { Ground, Piece } from '../../../document/model/index.ts';
import { drawAt } from '../../../basics/random/index.ts';
import { reachOf } from '../../../play/scene/index.ts';
import { painted, type Cell } from '../cells.ts';
import { mirrored } from '../mirror.ts';
import { boxOf } from '../shape.ts';

/** A field of usual size with a wall round it. */
const FIELD = { width: 22, height: 13 } as const;

const open = (): string[] => {
  const { width, height } = FIELD;
  return Array.from({ length: height }, (_, y) =>
    y === 0 || y === height - 1 ? '#'.repeat(width) : `#${'.'.repeat(width - 2)}#`,
  );
};

/** Walls that may stand on the field: x, y, width, height in cells. None touches another or the edge. */
const BLOCKS: readonly (readonly [number, number, number, number])[] = [
  [7, 2, 1, 4],
  [13, 7, 1, 4],
  [4, 8, 4, 1],
  [14, 3, 4, 1],
  [9, 9, 3, 1],
  [10, 4, 2, 2],
  [3, 5, 2, 1],
  [17, 6, 1, 3],
];

/** No wall so near to the start, and to all else, cells. */
const KEPT_FREE = { start: 2, other: 0.5 } as const;

const cellsOf = ([x, y, width, height]: readonly [number, number, number, number]): Cell[] =>
  Array.from({ length: width * height }, (_, index) => ({ x: x + (index % width), y: y + Math.floor(index / width) }));

function isNear(cell: Cell, piece: Piece): boolean {
  const free = piece.piece === 'start' ? KEPT_FREE.start : KEPT_FREE.other;
  const { x, y, width, height } = boxOf(piece);
  return cell.x + 1 > x - free && cell.x < x + width + free && cell.y + 1 > y - free && cell.y < y + height + free;
}

/**
 * A field with more walls the later it comes, every second one mirrored.
 *
 * @param position from 1
 * @param share of the sequence that has passed, 0–1
 * @param pieces that stand on it, before it is mirrored; all of them stay reachable
 */
export function fieldAt(position: number, share: number, pieces: readonly Piece[]): Ground {
  const many = 1 + Math.round(share * (BLOCKS.length - 2));
  const order = BLOCKS.map((block, index) => ({ block, draw: drawAt(position, index, 7) }))
    .toSorted((one, other) => one.draw - other.draw)
    .map(({ block }) => block);
  let ground: Ground = { kind: 'roam', rows: open(), pieces: [...pieces] };
  for (const block of order.slice(0, many)) {
    const cells = cellsOf(block);
    if (cells.some((cell) => pieces.some((piece) => isNear(cell, piece)))) continue;
    const next = painted(ground, cells, 'wall');
    if (reachOf({ ground: next }).unreachable.length === 0) ground = next;
  }
  if (position % 2 === 0) ground = mirrored(ground, 'leftRight');
  return position % 4 > 1 ? mirrored(ground, 'upDown') : ground;
}
