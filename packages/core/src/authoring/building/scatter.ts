import { freshId, type Ground, type Id, type MintId, type Piece } from '../../document/model/index.ts';
import { drawAt } from '../../basics/random/index.ts';
import { reachOf } from '../../play/scene/index.ts';
import { coversCell, isLine } from './shape.ts';
import type { Cell } from './cells.ts';

/** The scattered kind, and its distances. */
export interface Scatter {
  kind: Id;
  count: number;
  /** Units from the start, at least. */
  fromStart: number;
  /** Units from each other, at least. */
  apart: number;
  /** Another one is another throw. */
  seed: number;
  /** Keeps the pieces of the kind that lie there; otherwise the new ones replace them. */
  keepsOld?: boolean;
}

/** Number of free cells that are considered for each piece; the one furthest from the others is taken. */
const LOOKED_AT = 12;

const squared = (one: Cell, other: Cell): number =>
  (one.x - other.x) * (one.x - other.x) + (one.y - other.y) * (one.y - other.y);

/** Cells that the player can walk to and nothing lies on. */
function freeCells(ground: Ground): Cell[] {
  const { units, width } = reachOf({ ground });
  return units.flatMap((way, index): Cell[] => {
    const [x, y] = [index % width, Math.floor(index / width)];
    const isFree =
      (way ?? -1) >= 0 &&
      ground.rows[y]?.[x] === '.' &&
      !ground.pieces.some((piece) => piece.piece !== 'zone' && !isLine(piece) && coversCell(piece, x, y));
    return isFree ? [{ x, y }] : [];
  });
}

/**
 * Throws collectables of a kind evenly over free cells: within reach, not in walls, at their distances from the start and
 * from each other. Where no room is left, fewer are thrown.
 */
export function scattered(
  ground: Ground,
  scatter: Scatter,
  mint: MintId = freshId,
): { ground: Ground; thrown: number } {
  const { kind, count, fromStart, apart, seed, keepsOld = false } = scatter;
  const isOfKind = (piece: Piece): boolean =>
    !keepsOld && piece.piece === 'collectable' && piece.kind === kind && !piece.hidden;
  const old = ground.pieces.filter(isOfKind);
  const others = ground.pieces.filter((piece) => !isOfKind(piece));
  const start = ground.pieces.find(({ piece }) => piece === 'start');
  const from = start && { x: start.at.x - 0.5, y: start.at.y - 0.5 };
  const free = freeCells({ ...ground, pieces: others })
    .filter((cell) => !from || squared(cell, from) >= fromStart * fromStart)
    .map((cell, index) => ({ cell, draw: drawAt(seed, index, 0) }))
    .toSorted((one, other) => one.draw - other.draw)
    .map(({ cell }) => cell);
  const chosen: Cell[] = [];
  let waiting = free;
  while (chosen.length < count && waiting.length > 0) {
    waiting = waiting.filter((cell) => chosen.every((other) => squared(cell, other) >= apart * apart));
    const nearest = (cell: Cell): number => Math.min(...chosen.map((other) => squared(cell, other)));
    const best = waiting.slice(0, LOOKED_AT).toSorted((one, other) => nearest(other) - nearest(one))[0];
    if (!best) break;
    chosen.push(best);
    waiting = waiting.filter((cell) => cell !== best);
  }
  const taken = new Set(ground.pieces.map(({ id }) => id));
  const thrown = chosen.map(({ x, y }, index): Piece => {
    const at = { x: x + 0.5, y: y + 0.5 };
    const before = old[index];
    if (before) return { ...before, at };
    const id = mint(kind, taken);
    taken.add(id);
    return { id, piece: 'collectable', kind, at };
  });
  return { ground: { ...ground, pieces: [...others, ...thrown] }, thrown: thrown.length };
}

/** Another ground like this one: every kind of collectable that lies in sight is scattered again. */
export function varied(ground: Ground, seed: number): Ground {
  const kinds = new Map<Id, number>();
  for (const piece of ground.pieces)
    if (piece.piece === 'collectable' && !piece.hidden) kinds.set(piece.kind, (kinds.get(piece.kind) ?? 0) + 1);
  let next = ground;
  [...kinds].forEach(([kind, count], index) => {
    const throwing = { kind, count, fromStart: 2.5, apart: 1.4, seed: seed + index * 101 };
    const { ground: after, thrown } = scattered(next, throwing);
    // Where it is too narrow for distances, they are thrown without.
    next = thrown === count ? after : scattered(next, { ...throwing, fromStart: 0, apart: 0 }).ground;
  });
  return next;
}
