import { Limits, type Ground, type Piece, type Place } from '../../document/model/index.ts';
import { heightOf, isArea, widthOf } from './shape.ts';

/** How whole grounds are turned over. */
export type Mirror = 'leftRight' | 'upDown';

/** Where a place comes to, and where a direction comes to. Degrees: 0 right, 90 down. */
interface Carry {
  place(at: Place, width: number, height: number): Place;
  degrees(aim: number): number;
  /** Width becomes height. */
  swaps: boolean;
}

/** Where lanes drive, by quarters from 0 degrees on. */
const TOWARDS = ['right', 'down', 'left', 'up'] as const;

const turnedBy = (degrees: number): number => ((degrees % 360) + 360) % 360;

/** Carries a piece over. The corner of an area that becomes its upper left one differs with the way it is carried. */
function carried(piece: Piece, { place, degrees, swaps }: Carry): Piece {
  const [wide, high] = isArea(piece) ? [piece.width, piece.height] : [0, 0];
  const next: Piece = { ...piece, at: place(piece.at, wide, high) };
  if (swaps && 'width' in next) [next.width, next.height] = [high, wide];
  if (next.piece === 'enemy' && next.path) next.path = next.path.map((at) => place(at, 0, 0));
  if ('heading' in next && next.heading !== undefined) next.heading = degrees(next.heading);
  if (next.piece === 'lane')
    next.towards = TOWARDS[Math.round(degrees(TOWARDS.indexOf(next.towards) * 90) / 90) % 4] as typeof next.towards;
  if (next.piece === 'emitter' && next.aim !== 'player') next.aim = degrees(next.aim);
  if (next.piece === 'spawner' && next.spread && swaps)
    next.spread = { width: next.spread.height, height: next.spread.width };
  return next;
}

/** A ground as in a mirror. Twice is the ground itself. */
export function mirrored(ground: Ground, mirror: Mirror): Ground {
  const [width, height] = [widthOf(ground), heightOf(ground)];
  const rows =
    mirror === 'upDown' ? ground.rows.toReversed() : ground.rows.map((row) => [...row].toReversed().join(''));
  const carry: Carry =
    mirror === 'leftRight'
      ? { place: ({ x, y }, wide) => ({ x: width - x - wide, y }), degrees: (aim) => turnedBy(180 - aim), swaps: false }
      : {
          place: ({ x, y }, _wide, high) => ({ x, y: height - y - high }),
          degrees: (aim) => turnedBy(-aim),
          swaps: false,
        };
  return { ...ground, rows, pieces: ground.pieces.map((piece) => carried(piece, carry)) };
}

/** Why a ground cannot be turned, or undefined. */
export const turnRefused = (ground: Ground): string | undefined =>
  'sections' in ground
    ? 'All of a run is equally high: it cannot be turned.'
    : widthOf(ground) > Limits.groundHeight
      ? `Turned, it would be ${widthOf(ground)} cells high; ${Limits.groundHeight} is the most.`
      : undefined;

/** A ground turned by a quarter, clockwise. Four times is the ground itself. */
export function turned(ground: Ground): Ground {
  const [width, height] = [widthOf(ground), heightOf(ground)];
  const rows = Array.from({ length: width }, (_, column) =>
    Array.from({ length: height }, (__, row) => ground.rows[height - 1 - row]?.[column] ?? '.').join(''),
  );
  const carry: Carry = {
    place: ({ x, y }, _wide, high) => ({ x: height - y - high, y: x }),
    degrees: (aim) => turnedBy(aim + 90),
    swaps: true,
  };
  return { ...ground, rows, pieces: ground.pieces.map((piece) => carried(piece, carry)) };
}
