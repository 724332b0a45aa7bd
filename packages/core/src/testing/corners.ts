import type { AttemptState } from '../play/attempt/index.ts';

const CORNERS = [
  [-1, -1],
  [-1, 1],
  [1, -1],
  [1, 1],
] as const;

/** The cells in which the corners of the player's body are, as characters of the rows. */
export const cornersOf = ({ body: { x, y, radius } }: AttemptState, rows: readonly string[]): (string | undefined)[] =>
  CORNERS.map(([dx, dy]) => rows[Math.floor(y + dy * (radius - 1e-9))]?.[Math.floor(x + dx * (radius - 1e-9))]);
