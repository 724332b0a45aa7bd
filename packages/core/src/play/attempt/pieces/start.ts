import type { Piece, Place } from '../../../document/model/index.ts';
import { disc } from '../mark.ts';
import type { PreparedLevel } from '../level.ts';
import type { PieceSort } from '../types.ts';

/** Where the player begins. */
export const start: PieceSort<Extract<Piece, { piece: 'start' }>, Place> = {
  name: 'start',
  prepare: ({ at }) => at,
  layer: 3,
  // During an attempt the player itself is drawn.
  scene: (places, { motion }, now) =>
    now ? [] : places.map(({ x, y }) => ({ key: 'start', figures: [disc(x, y, motion.player.radius, 'mark', 'ink')] })),
};

/** Where the player begins. A ground has exactly one start. */
export const startPlace = ({ motion }: PreparedLevel): Place => motion.pieces.start[0] as Place;
