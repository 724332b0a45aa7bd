import {
  freshId,
  freshName,
  literal,
  type Ground,
  type Id,
  type MintId,
  type Piece,
  type PieceName,
} from '../../document/model/index.ts';
import { heightOf, widthOf, type Box } from './shape.ts';
import type { Puttable } from './puttable.ts';

/** Size of an area that one click places, cells. */
const USUAL_SPAN: Partial<Record<PieceName, number>> = { goal: 2, zone: 2 };

/**
 * A new piece with usual numbers.
 *
 * @param over the cells that it is put on, from the upper left; areas span them, all else stands in the middle of the first
 */
export function newPiece(ground: Ground, { piece, kind, label }: Puttable, over: Box, mint: MintId = freshId): Piece {
  const id = mint(kind ?? piece, new Set(ground.pieces.map((other) => other.id)));
  const middle = { x: over.x + 0.5, y: over.y + 0.5 };
  const span = USUAL_SPAN[piece];
  const single = over.width <= 1 && over.height <= 1;
  const width = Math.min(widthOf(ground) - over.x, single && span !== undefined ? span : Math.max(1, over.width));
  const height = Math.min(heightOf(ground) - over.y, single && span !== undefined ? span : Math.max(1, over.height));
  const corner = { x: over.x, y: over.y };
  const of = kind as Id;
  const name = (): string =>
    freshName(label, new Set(ground.pieces.flatMap((other) => ('name' in other ? [other.name] : []))));
  switch (piece) {
    case 'start':
      return { id, piece, at: middle };
    case 'checkpoint':
      return { id, piece, at: middle, name: name() };
    case 'goal':
    case 'zone':
      return { id, piece, at: corner, width, height, name: name() };
    case 'gate':
      return { id, piece, at: corner, width, height, name: name(), open: false };
    case 'latch':
      return { id, piece, at: middle, name: name(), opens: [] };
    case 'hazard':
      return { id, piece, kind: of, at: corner, width, height };
    case 'collectable':
    case 'enemy':
      return { id, piece, kind: of, at: middle };
    case 'spawner':
      return {
        id,
        piece,
        kind: of,
        at: middle,
        starts: 'load',
        howMany: literal(3),
        firstAfterSeconds: literal(2),
        everySeconds: literal(6),
        safeDistance: 4,
      };
    case 'lane':
      return {
        id,
        piece,
        kind: of,
        at: middle,
        towards: 'right',
        length: 2,
        speed: literal(3),
        spacing: 'seconds',
        every: literal(2),
        jitter: 0.2,
      };
    case 'emitter':
      return {
        id,
        piece,
        kind: of,
        at: middle,
        aim: 'player',
        everySeconds: literal(2),
        speed: literal(5),
        reach: literal(8),
      };
  }
}

/** A ground with one more piece; a start takes the place of the one there is. */
export function withPiece(ground: Ground, piece: Piece): Ground {
  if (piece.piece !== 'start') return { ...ground, pieces: [...ground.pieces, piece] };
  const pieces = ground.pieces.map((other) => (other.piece === 'start' ? { ...other, at: piece.at } : other));
  return { ...ground, pieces };
}
