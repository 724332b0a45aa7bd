import {
  boxOf,
  coversCell,
  isArea,
  isLine,
  moved,
  newPiece,
  painted,
  withPiece,
  type Box,
  type Cell,
  type CellName,
  type Puttable,
} from '@stadion/core/authoring/building';
import { Limits, type Ground, type Id, type MintId, type Piece } from '@stadion/core/document/model';

/** The placement by a click: cells, a piece, points of a patrol's way, or ties of a latch. */
export type Hand =
  | { is: 'cells'; cells: CellName }
  | { is: 'thing'; thing: Puttable }
  | { is: 'way'; of: Id }
  | { is: 'ties'; of: Id };

/** The gesture of the pointer or the keys, from a place to a place in units. */
export interface Drag {
  does: 'put' | 'move' | 'hold' | 'size' | 'point';
  from: { x: number; y: number };
  to: { x: number; y: number };
  /** Every cell passed, in turn. */
  cells: readonly Cell[];
  /** Leaves what it moves where it is and moves a copy. */
  copies: boolean;
  /** The piece whose size or way changes, and which point of the way. */
  piece?: Id;
  point?: number;
}

export const cellUnder = ({ x, y }: { x: number; y: number }): Cell => ({ x: Math.floor(x), y: Math.floor(y) });

/** The cells between two, as a box. */
export function boxBetween(one: Cell, other: Cell): Box {
  const [x, y] = [Math.min(one.x, other.x), Math.min(one.y, other.y)];
  return { x, y, width: Math.abs(one.x - other.x) + 1, height: Math.abs(one.y - other.y) + 1 };
}

/** Area of a drag over open ground, units. */
export const boxOfDrag = ({ from, to }: Pick<Drag, 'from' | 'to'>): Box => ({
  x: Math.min(from.x, to.x),
  y: Math.min(from.y, to.y),
  width: Math.abs(from.x - to.x),
  height: Math.abs(from.y - to.y),
});

const isOn = (ground: Ground, { x, y }: Cell): boolean => ground.rows[y]?.[x] !== undefined;

/** Pieces that lie over a cell, the one drawn last first. */
export const piecesAt = (ground: Ground, { x, y }: Cell): Piece[] =>
  ground.pieces.filter((piece) => coversCell(piece, x, y)).toSorted((one, other) => sizeOf(one) - sizeOf(other));

/** Lines lie under all else. */
const sizeOf = (piece: Piece): number =>
  isLine(piece) ? Number.POSITIVE_INFINITY : isArea(piece) ? piece.width * piece.height : 0;

/** The next piece to be taken hold of at a cell: the one after the one held. */
export function nextAt(ground: Ground, cell: Cell, held: ReadonlySet<Id>): Piece | undefined {
  const here = piecesAt(ground, cell);
  const now = held.size === 1 ? here.findIndex(({ id }) => held.has(id)) : -1;
  return here[(now + 1) % Math.max(1, here.length)];
}

/** Pieces whose middle lies in a box. */
export const piecesIn = (ground: Ground, box: Box): Piece[] =>
  ground.pieces.filter((piece) => {
    const { x, y, width, height } = boxOf(piece);
    const [middleX, middleY] = [x + width / 2, y + height / 2];
    return middleX >= box.x && middleX <= box.x + box.width && middleY >= box.y && middleY <= box.y + box.height;
  });

/** Result of a gesture: the ground after it, its name, and the selection then. */
export interface Outcome {
  ground: Ground;
  /** All of a run, where more of it has changed than what is shown. */
  whole?: Ground;
  label: string;
  held?: Id[];
  /** Why it did not come to more. */
  refused?: string;
}

const count = (number: number, what: string): string => (number === 1 ? what : `${number} × ${what}`);

/** Names of cells. */
export const CELL_WORDS: Readonly<Record<CellName, string>> = {
  wall: 'Wall',
  open: 'Open ground',
  'no ground': 'No ground',
  ledge: 'Ledge',
};

/** Puts what is in hand. */
export function put(ground: Ground, hand: Hand, cells: readonly Cell[], mint: MintId): Outcome {
  const over = cells.filter((cell) => isOn(ground, cell));
  const nothing: Outcome = { ground, label: '' };
  const last = over.at(-1);
  if (!last) return nothing;
  if (hand.is === 'cells') {
    const label = count(over.length, CELL_WORDS[hand.cells]);
    return { ground: painted(ground, over, hand.cells), label };
  }
  if (hand.is === 'way') return addPoint(ground, hand.of, last);
  if (hand.is === 'ties') return tie(ground, hand.of, last);
  const { thing } = hand;
  const boxes: Box[] =
    thing.by === 'way'
      ? over
          .filter(({ x, y }) => !ground.pieces.some((piece) => piece.piece === thing.piece && coversCell(piece, x, y)))
          .map((cell) => ({ ...cell, width: 1, height: 1 }))
      : thing.by === 'area'
        ? [boxBetween(over[0] as Cell, last)]
        : [{ ...last, width: 1, height: 1 }];
  const room = thing.piece === 'start' ? boxes.length : Limits.pieces - ground.pieces.length;
  let next = ground;
  const come: Id[] = [];
  for (const box of boxes.slice(0, Math.max(0, room))) {
    const piece = newPiece(next, thing, box, mint);
    next = withPiece(next, piece);
    come.push(thing.piece === 'start' ? (next.pieces.find((other) => other.piece === 'start') as Piece).id : piece.id);
  }
  return {
    ground: next,
    label: `Put ${count(come.length, thing.label)}`,
    held: come.slice(-1),
    ...(boxes.length > room
      ? { refused: `At most ${Limits.pieces} pieces on a ground: ${boxes.length - Math.max(0, room)} were not put.` }
      : {}),
  };
}

/** A patrol's way gets one more point. */
function addPoint(ground: Ground, id: Id, cell: Cell): Outcome {
  let refused: string | undefined;
  const pieces = ground.pieces.map((piece): Piece => {
    if (piece.id !== id || piece.piece !== 'enemy') return piece;
    const path = piece.path ?? [];
    if (path.length >= 30) refused = 'A way has at most 30 points.';
    return refused === undefined ? { ...piece, path: [...path, { x: cell.x + 0.5, y: cell.y + 0.5 }] } : piece;
  });
  return { ground: { ...ground, pieces }, label: 'A point of a way', ...(refused === undefined ? {} : { refused }) };
}

/** A latch opens the gate on a cell, or no more. */
function tie(ground: Ground, id: Id, cell: Cell): Outcome {
  const gate = piecesAt(ground, cell).find(({ piece }) => piece === 'gate');
  if (!gate) return { ground, label: '', refused: 'There is no gate: click one.' };
  const pieces = ground.pieces.map((piece): Piece => {
    if (piece.id !== id || piece.piece !== 'latch') return piece;
    const opens = piece.opens.includes(gate.id)
      ? piece.opens.filter((other) => other !== gate.id)
      : [...piece.opens, gate.id];
    return { ...piece, opens };
  });
  return { ground: { ...ground, pieces }, label: 'Tie a latch to a gate' };
}

/** Whole cells between two places. */
const stepsOf = ({ from, to }: Pick<Drag, 'from' | 'to'>): { dx: number; dy: number } => ({
  dx: Math.round(to.x - from.x),
  dy: Math.round(to.y - from.y),
});

/** Moves what is held, or a copy of it. */
function move(ground: Ground, held: ReadonlySet<Id>, drag: Drag, mint: MintId): Outcome {
  const { dx, dy } = stepsOf(drag);
  if (dx === 0 && dy === 0) return { ground, label: '' };
  if (!drag.copies) {
    const pieces = ground.pieces.map((piece) => (held.has(piece.id) ? moved(piece, ground, dx, dy) : piece));
    return { ground: { ...ground, pieces }, label: `Move ${count(held.size, 'piece')}` };
  }
  const taken = new Set(ground.pieces.map(({ id }) => id));
  const copies = ground.pieces
    .filter(({ id, piece }) => held.has(id) && piece !== 'start')
    .map((piece): Piece => {
      const { order: _order, ...copy } = moved(piece, ground, dx, dy);
      const id = mint(piece.id, taken);
      taken.add(id);
      return { ...copy, id } as Piece;
    });
  if (ground.pieces.length + copies.length > Limits.pieces)
    return { ground, label: '', refused: `At most ${Limits.pieces} pieces on a ground: nothing was copied.` };
  return {
    ground: { ...ground, pieces: [...ground.pieces, ...copies] },
    label: `Copy ${count(copies.length, 'piece')}`,
    held: copies.map(({ id }) => id),
  };
}

const half = (value: number): number => Math.round(value * 2) / 2;

/** Draws an area's lower right corner. Gates cover whole cells, all else half ones at least. */
function resize(ground: Ground, { piece: id, to }: Drag): Outcome {
  const pieces = ground.pieces.map((piece): Piece => {
    if (piece.id !== id || !isArea(piece)) return piece;
    const whole = piece.piece === 'gate';
    const across = whole ? Math.round(to.x - piece.at.x) : half(to.x - piece.at.x);
    const down = whole ? Math.round(to.y - piece.at.y) : half(to.y - piece.at.y);
    const least = whole ? 1 : 0.5;
    const [width, height] = [(ground.rows[0] as string).length, ground.rows.length];
    return {
      ...piece,
      width: Math.min(width - piece.at.x, Math.max(least, across)),
      height: Math.min(height - piece.at.y, Math.max(least, down)),
    };
  });
  return { ground: { ...ground, pieces }, label: 'Size of an area' };
}

/** Draws a point of a patrol's way to a cell's middle. */
function movePoint(ground: Ground, { piece: id, point, to }: Drag): Outcome {
  const cell = cellUnder(to);
  const pieces = ground.pieces.map((piece): Piece => {
    if (piece.id !== id || piece.piece !== 'enemy' || !piece.path || !isOn(ground, cell)) return piece;
    return { ...piece, path: piece.path.with(point ?? 0, { x: cell.x + 0.5, y: cell.y + 0.5 }) };
  });
  return { ground: { ...ground, pieces }, label: 'A point of a way' };
}

/** Returns the result of a gesture until now. */
export function outcomeOf(ground: Ground, hand: Hand | null, held: ReadonlySet<Id>, drag: Drag, mint: MintId): Outcome {
  switch (drag.does) {
    case 'put':
      return hand ? put(ground, hand, drag.cells, mint) : { ground, label: '' };
    case 'move':
      return move(ground, held, drag, mint);
    case 'hold':
      return { ground, label: '', held: piecesIn(ground, boxOfDrag(drag)).map(({ id }) => id) };
    case 'size':
      return resize(ground, drag);
    case 'point':
      return movePoint(ground, drag);
  }
}
