import {
  freshId,
  isBarredOn,
  Limits,
  type Ground,
  type MintId,
  type Piece,
  type Project,
} from '../../document/model/index.ts';
import { groundKindOf } from '../../play/movement/index.ts';
import { keyOf, puttables, type Puttable } from './puttable.ts';
import { newPiece } from './put.ts';
import { cellOf } from './shape.ts';
import type { Cell } from './cells.ts';

/** Meaning of a character of a ground's text. */
export interface LegendEntry {
  character: string;
  thing: Puttable;
}

/** Something in a text that cannot be read as a ground. Lines and columns from 1. */
export interface TextFault {
  line: number;
  column: number;
  message: string;
}

const LETTERS = [...'abcdefghijklmnopqrstuvwxyz', ...'ABCDEFGHIJKLMNOPQRSTUVWXYZ', ...'0123456789', ...'@&%$+*?!'];
const FIXED: Readonly<Record<string, string>> = {
  start: 'S',
  goal: 'G',
  zone: 'Z',
  checkpoint: 'K',
  latch: 'L',
  gate: 'D',
};

/** A character for everything that can be put: near the first letter of its name, capital for what sends or shoots. */
export function legendOf(project: Pick<Project, 'kinds'>): LegendEntry[] {
  const taken = new Set(Object.values(FIXED));
  return puttables(project).flatMap((thing): LegendEntry[] => {
    const fixed = FIXED[thing.piece];
    if (fixed !== undefined) return [{ character: fixed, thing }];
    const sends = thing.piece === 'spawner' || thing.piece === 'emitter';
    const wanted = [...thing.label.replaceAll(/[^A-Za-z]/g, '')].map((letter) =>
      sends ? letter.toUpperCase() : letter.toLowerCase(),
    );
    const character = [...wanted, ...LETTERS].find((one) => !taken.has(one));
    if (character === undefined) return [];
    taken.add(character);
    return [{ character, thing }];
  });
}

/** The first piece of each cell that the legend has a character for. */
function shownOn(ground: Ground, characters: ReadonlyMap<string, string>): Map<string, Piece> {
  const shown = new Map<string, Piece>();
  for (const piece of ground.pieces) {
    const { x, y } = cellOf(piece);
    const cell = `${x} ${y}`;
    if (!shown.has(cell) && characters.has(keyOf(piece))) shown.set(cell, piece);
  }
  return shown;
}

const characterByKey = (legend: readonly LegendEntry[]): Map<string, string> =>
  new Map(legend.map(({ character, thing }) => [thing.key, character]));

/** A ground as text: one character a cell, the first piece of a cell in place of the cell. */
export function textOfGround(ground: Ground, legend: readonly LegendEntry[]): string {
  const characters = characterByKey(legend);
  const shown = shownOn(ground, characters);
  return ground.rows
    .map((row, y) =>
      [...row]
        .map((cell, x) => {
          const piece = shown.get(`${x} ${y}`);
          return piece ? (characters.get(keyOf(piece)) ?? cell) : cell;
        })
        .join(''),
    )
    .join('\n');
}

/** Problems of a text's lines and characters, at most 20. */
function faultsOf(lines: readonly string[], known: ReadonlySet<string>): TextFault[] {
  const width = lines[0]?.length ?? 0;
  const faults: TextFault[] = [];
  const say = (line: number, column: number, message: string): void => {
    if (faults.length < 20) faults.push({ line: line + 1, column: column + 1, message });
  };
  const least = Limits.groundLeast;
  if (lines.length < least || width < least) say(0, 0, `A ground is at least ${least} × ${least} cells.`);
  if (lines.length > Limits.groundHeight) say(Limits.groundHeight, 0, `At most ${Limits.groundHeight} lines.`);
  if (width > Limits.groundWidth) say(0, Limits.groundWidth, `At most ${Limits.groundWidth} characters in a line.`);
  lines.forEach((line, y) => {
    if (line.length !== width)
      say(y, Math.min(line.length, width), `This line has ${line.length} characters, the first has ${width}.`);
    [...line].forEach((character, x) => {
      if (!known.has(character))
        say(
          y,
          x,
          `${character === ' ' ? 'A space' : character === '\t' ? 'A tab' : `“${character}”`} stands for nothing here.`,
        );
    });
  });
  return faults;
}

const distance = (one: Cell, other: Cell): number => Math.abs(one.x - other.x) + Math.abs(one.y - other.y);

/** Which piece of before stands at which new place: the same cell first, then the nearest. */
function matched(before: readonly { cell: Cell; piece: Piece }[], cells: readonly Cell[]): Map<Cell, Piece> {
  const pairs = new Map<Cell, Piece>();
  const free = new Set(before);
  for (const cell of cells) {
    const same = [...free].find((one) => distance(one.cell, cell) === 0);
    if (!same) continue;
    pairs.set(cell, same.piece);
    free.delete(same);
  }
  for (const cell of cells) {
    if (pairs.has(cell)) continue;
    const near = [...free].toSorted((one, other) => distance(one.cell, cell) - distance(other.cell, cell))[0];
    if (!near) break;
    pairs.set(cell, near.piece);
    free.delete(near);
  }
  return pairs;
}

/**
 * The ground that a text says. Pieces keep all that a character cannot say, also where their character has moved; what
 * lies below another piece stays. Faults in place of a ground where the text cannot be read.
 */
export function groundOfText(
  ground: Ground,
  legend: readonly LegendEntry[],
  text: string,
  mint: MintId = freshId,
): { ground: Ground } | { faults: TextFault[] } {
  const lines = text.replaceAll('\r', '').split('\n');
  const { cells } = groundKindOf(ground.kind);
  while (lines.length > 1 && lines.at(-1) === '') lines.pop();
  const faults = faultsOf(lines, new Set([...cells, ...legend.map(({ character }) => character)]));
  if (faults.length > 0) return { faults };
  const characters = characterByKey(legend);
  const shown = [...shownOn(ground, characters).values()];
  const seen = new Set(shown);
  const spots = new Map<string, Cell[]>();
  lines.forEach((line, y) =>
    [...line].forEach((character, x) => {
      if (!cells.includes(character)) spots.set(character, [...(spots.get(character) ?? []), { x, y }]);
    }),
  );
  const starts = spots.get(FIXED['start'] as string) ?? [];
  const hasStart = ground.pieces.some(({ piece }) => piece === 'start');
  if (!hasStart && starts[0]) {
    const { x, y } = starts[0];
    return { faults: [{ line: y + 1, column: x + 1, message: 'A run starts before its sections: take the S away.' }] };
  }
  if (hasStart && starts.length !== 1) {
    const [, second] = starts;
    const message = second ? 'A ground has one start: this is the second S.' : 'A ground has one start: put an S.';
    return { faults: [{ line: (second?.y ?? 0) + 1, column: (second?.x ?? 0) + 1, message }] };
  }
  const barred = legend.flatMap(({ character, thing }): TextFault[] =>
    isBarredOn(ground.kind, thing.piece)
      ? (spots.get(character) ?? []).map(({ x, y }) => ({
          line: y + 1,
          column: x + 1,
          message: `${thing.label} cannot stand where the player ${groundKindOf(ground.kind).label}.`,
        }))
      : [],
  );
  if (barred.length > 0) return { faults: barred };
  const placed = new Map<Piece, Cell>();
  const added: { thing: Puttable; cell: Cell }[] = [];
  for (const { character, thing } of legend) {
    const before = shown.filter((piece) => keyOf(piece) === thing.key).map((piece) => ({ piece, cell: cellOf(piece) }));
    const cells = spots.get(character) ?? [];
    const pairs = matched(before, cells);
    for (const cell of cells) {
      const piece = pairs.get(cell);
      if (piece) placed.set(piece, cell);
      else added.push({ thing, cell });
    }
  }
  // A cell under a piece that has stayed is what it was; under one that has come it is open.
  const stayed = new Set(
    [...placed].flatMap(([piece, { x, y }]) => (distance(cellOf(piece), { x, y }) === 0 ? [`${x} ${y}`] : [])),
  );
  const under = (x: number, y: number): string => (stayed.has(`${x} ${y}`) ? (ground.rows[y]?.[x] ?? '.') : '.');
  const rows = lines.map((line, y) =>
    [...line].map((character, x) => (cells.includes(character) ? character : under(x, y))).join(''),
  );
  let next: Ground = {
    ...ground,
    rows,
    pieces: ground.pieces.flatMap((piece): Piece[] => {
      if (!seen.has(piece)) return [within(piece, rows)];
      const cell = placed.get(piece);
      if (!cell) return [];
      const was = cellOf(piece);
      return [within(shifted(piece, cell.x - was.x, cell.y - was.y), rows)];
    }),
  };
  for (const { thing, cell } of added) {
    const piece = newPiece(next, thing, { ...cell, width: 1, height: 1 }, mint);
    next = { ...next, pieces: [...next.pieces, piece] };
  }
  return { ground: next };
}

function shifted(piece: Piece, dx: number, dy: number): Piece {
  if (dx === 0 && dy === 0) return piece;
  const next: Piece = { ...piece, at: { x: piece.at.x + dx, y: piece.at.y + dy } };
  if (next.piece === 'enemy' && next.path) next.path = next.path.map(({ x, y }) => ({ x: x + dx, y: y + dy }));
  return next;
}

/** Nothing reaches beyond the ground. */
function within(piece: Piece, rows: readonly string[]): Piece {
  const [width, height] = [rows[0]?.length ?? 0, rows.length];
  const into = (at: { x: number; y: number }, edge = 0): { x: number; y: number } => ({
    x: Math.max(0, Math.min(at.x, width - edge)),
    y: Math.max(0, Math.min(at.y, height - edge)),
  });
  const next: Piece = { ...piece, at: into(piece.at, 0.5) };
  if ('width' in next) {
    next.width = Math.max(0.5, Math.min(next.width, width - next.at.x));
    next.height = Math.max(0.5, Math.min(next.height, height - next.at.y));
  }
  if (next.piece === 'enemy' && next.path) next.path = next.path.map((at) => into(at));
  return next;
}
