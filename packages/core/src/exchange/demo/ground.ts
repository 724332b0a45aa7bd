import { fromParameter, literal, type Ground, type Piece, type Place } from '../../document/model/index.ts';

export type Turn = 'as drawn' | 'left to right' | 'upside down';

const COLLECTABLES: Readonly<Record<string, string>> = {
  c: 'clover',
  l: 'lavender',
  r: 'royal-bloom',
  R: 'royal-bloom',
};

/** Rows of like cells become one piece each. */
const AREAS: Readonly<Record<string, string>> = { p: 'pond', x: 'web' };

/** Characters of a drawing that are cells; any other stands on open ground. */
const CELLS = '#~-';

const ZONES: Readonly<Record<string, { id: string; name: string }>> = {
  A: { id: 'fountain', name: 'the fountain' },
  B: { id: 'sundial', name: 'the sundial' },
};

/** One lane of a garden that is crossed: its row, where it drives, and how fast as a share of hornets. */
export interface LaneSketch {
  row: number;
  towards: 'left' | 'right';
  times: number;
  what: 'mower' | 'lily';
}

/** Mowers come at an interval in seconds; leaves drift with gaps in units. */
const TRAFFIC = {
  mower: { length: 2, spacing: 'seconds', every: 2.2, jitter: 0.25 },
  lily: { length: 4, spacing: 'units', every: 3, jitter: 0.2 },
} as const;

const drawLane = ({ row, towards, times, what }: LaneSketch): Piece => {
  const { every, ...traffic } = TRAFFIC[what];
  return {
    id: `lane-${row}`,
    piece: 'lane',
    kind: what,
    at: { x: 0.5, y: row + 0.5 },
    towards,
    speed: { from: 'parameter', parameter: 'hornetSpeed', times },
    every: literal(every),
    ...traffic,
    ...(what === 'lily' ? { carries: true as const } : {}),
  };
};

/** A garden from its drawing, perhaps mirrored, with its nest sending hornets as the ramps say. */
export function drawGround(
  drawn: readonly string[],
  turn: Turn,
  kind: Ground['kind'] = 'roam',
  lanes: readonly LaneSketch[] = [],
): Ground {
  const width = drawn[0]?.length ?? 0;
  const height = drawn.length;
  const place = (column: number, row: number, across: number, down = across): Place => ({
    x: turn === 'left to right' ? width - column - across : column,
    y: turn === 'upside down' ? height - row - down : row,
  });
  const middle = (column: number, row: number): Place => {
    const { x, y } = place(column, row, 1);
    return { x: x + 0.5, y: y + 0.5 };
  };

  const pieces: Piece[] = [];
  const rounds: { digit: string; at: Place }[] = [];
  const counts = new Map<string, number>();
  const id = (word: string): string => {
    const number = (counts.get(word) ?? 0) + 1;
    counts.set(word, number);
    return `${word}-${number}`;
  };
  drawn.forEach((line, row) => {
    [...line].forEach((character, column) => {
      const at = middle(column, row);
      const kind = COLLECTABLES[character];
      const hazard = AREAS[character];
      const zone = ZONES[character];
      const startsRun = line[column - 1] !== character;
      let run = 1;
      while (line[column + run] === character) run++;
      if (kind)
        pieces.push({
          id: id(kind),
          piece: 'collectable',
          kind,
          at,
          ...(character === 'R' ? { hidden: true as const } : {}),
        });
      else if (hazard) {
        if (startsRun)
          pieces.push({
            id: id(hazard),
            piece: 'hazard',
            kind: hazard,
            at: place(column, row, run, 1),
            width: run,
            height: 1,
          });
      } else if (zone) pieces.push({ ...zone, piece: 'zone', at: place(column, row, 2), width: 2, height: 2 });
      else if (character === 'S') pieces.push({ id: 'start', piece: 'start', at });
      else if (character === 'H')
        pieces.push({ id: 'hive', piece: 'goal', name: 'Hive mouth', at: place(column, row, 2), width: 2, height: 2 });
      else if (character === 'h') pieces.push({ id: id('hornet'), piece: 'enemy', kind: 'hornet', at });
      else if (character === 'w') pieces.push({ id: id('wasp'), piece: 'enemy', kind: 'wasp', at });
      else if (character >= '1' && character <= '3') rounds.push({ digit: character, at });
      else if (character === 'K') pieces.push({ id: id('leaf'), piece: 'checkpoint', name: 'Broad leaf', at });
      else if (character === 'L')
        pieces.push({ id: 'latch', piece: 'latch', name: 'the latch', at, opens: ['gate-1', 'gate-2'] });
      else if (character === 'G' && startsRun)
        pieces.push({
          id: id('gate'),
          piece: 'gate',
          name: 'the garden gate',
          at: place(column, row, run, 1),
          width: run,
          height: 1,
          open: false,
        });
      else if (character === 'E')
        pieces.push({
          id: id('thistle'),
          piece: 'emitter',
          kind: 'thorn',
          aim: 'player',
          at,
          everySeconds: literal(2.5),
          speed: literal(5),
          reach: literal(7),
        });
      else if (character === 'Q')
        pieces.push({
          id: 'beetles',
          piece: 'spawner',
          kind: 'beetle',
          at,
          starts: 'load',
          howMany: fromParameter('beetles'),
          firstAfterSeconds: literal(0),
          everySeconds: literal(0.5),
          safeDistance: 4,
          spread: { width: 20, height: 8 },
        });
      else if (character === 'N' || character === 'W') {
        pieces.push({
          id: character === 'N' ? 'nest' : 'late-nest',
          piece: 'spawner',
          kind: 'hornet',
          at,
          starts: character === 'N' ? 'load' : 'milestone',
          howMany: character === 'N' ? fromParameter('hornetsSent') : literal(2),
          firstAfterSeconds: literal(character === 'N' ? 4 : 0.5),
          everySeconds: fromParameter('nestRest'),
          safeDistance: 3,
        });
      }
    });
  });
  const path = rounds.toSorted((a, b) => a.digit.localeCompare(b.digit)).map((round) => round.at);
  const turned = drawn.map((row) => {
    const cells = [...row].map((character) => (CELLS.includes(character) ? character : '.'));
    return (turn === 'left to right' ? cells.toReversed() : cells).join('');
  });
  const gates = new Set(pieces.flatMap((piece) => (piece.piece === 'gate' ? [piece.id] : [])));
  return {
    kind,
    rows: turn === 'upside down' ? turned.toReversed() : turned,
    pieces: [...pieces, ...lanes.map(drawLane)].map((piece) => {
      if (piece.id === 'wasp-1' && piece.piece === 'enemy') return { ...piece, path };
      // The one latch of a garden opens what gates there are.
      return piece.piece === 'latch' ? { ...piece, opens: piece.opens.filter((gate) => gates.has(gate)) } : piece;
    }),
  } as Ground;
}
