import type { Ground, Piece, Place } from '../model/index.ts';
import { fromParameter, literal } from '../model/index.ts';
import { LAYOUTS, type LayoutName } from './layouts.ts';

export type Turn = 'as drawn' | 'left to right' | 'upside down';

const COLLECTABLES: Readonly<Record<string, string>> = { c: 'clover', l: 'lavender', r: 'royal-bloom' };

/** A garden from its drawing, perhaps mirrored, with its nest sending hornets as the ramps say. */
export function drawGround(layout: LayoutName, turn: Turn): Ground {
  const drawn = LAYOUTS[layout];
  const width = drawn[0].length;
  const height = drawn.length;
  const place = (column: number, row: number, size: number): Place => ({
    x: turn === 'left to right' ? width - column - size : column,
    y: turn === 'upside down' ? height - row - size : row,
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
      if (kind) pieces.push({ id: id(kind), piece: 'collectable', kind, at });
      else if (character === 'S') pieces.push({ id: 'start', piece: 'start', at });
      else if (character === 'H')
        pieces.push({ id: 'hive', piece: 'goal', name: 'Hive mouth', at: place(column, row, 2), width: 2, height: 2 });
      else if (character === 'h') pieces.push({ id: id('hornet'), piece: 'enemy', kind: 'hornet', at });
      else if (character === 'w') pieces.push({ id: id('wasp'), piece: 'enemy', kind: 'wasp', at });
      else if (character >= '1' && character <= '3') rounds.push({ digit: character, at });
      else if (character === 'N') {
        pieces.push({
          id: 'nest',
          piece: 'spawner',
          kind: 'hornet',
          at,
          howMany: fromParameter('hornetsSent'),
          firstAfterSeconds: literal(4),
          everySeconds: fromParameter('nestRest'),
          safeDistance: 3,
        });
      }
    });
  });
  const path = rounds.toSorted((a, b) => a.digit.localeCompare(b.digit)).map((round) => round.at);
  const turned = drawn.map((row) => {
    const walls = [...row].map((character) => (character === '#' ? '#' : '.'));
    return (turn === 'left to right' ? walls.toReversed() : walls).join('');
  });
  return {
    kind: 'roam',
    rows: turn === 'upside down' ? turned.toReversed() : turned,
    pieces: pieces.map((piece) => (piece.id === 'wasp-1' && piece.piece === 'enemy' ? { ...piece, path } : piece)),
  };
}
