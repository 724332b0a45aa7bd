import { HEADING_VECTORS, isInSight, nearestHeadingOf } from '../../grid/index.ts';
import type { Piece } from '../../../document/model/index.ts';
import { mixFloat } from '../../../basics/random/index.ts';
import { shootingNow, shootingOf } from '../following.ts';
import type { PreparedLevel, Shooting } from '../level.ts';
import type { AttemptState, PieceSort } from '../types.ts';
import { shoot } from '../shots.ts';
import { hazardKind } from './hazard.ts';

interface PreparedEmitter extends Shooting {
  /** Kind of hazard that its shots are. */
  kind: number;
  x: number;
  y: number;
  /** -1 aims at the player. */
  heading: number;
}

/** The emitters of a level, in the order of the ground. */
export const emittersOf = ({ motion }: PreparedLevel): readonly PreparedEmitter[] =>
  motion.pieces.emitter as readonly PreparedEmitter[];

/** The tick of the next shot of each emitter. */
const dueTicksOf = (state: AttemptState): number[] => state.pieces.emitter as number[];

/** Shoots; one that aims waits until the player is in sight and reach. */
export const emitter: PieceSort<Extract<Piece, { piece: 'emitter' }>, PreparedEmitter, number[]> = {
  name: 'emitter',
  noun: 'emitter',
  goesOn: 'emitters',
  shoots: true,
  prepare: (piece, preparing) => ({
    ...shootingOf(piece, preparing),
    kind: hazardKind(preparing, piece.kind),
    x: piece.at.x,
    y: piece.at.y,
    heading: piece.aim === 'player' ? -1 : nearestHeadingOf(piece.aim),
  }),
  start: (emitters) => emitters.map(({ everyTicks }) => everyTicks),
  tick(state) {
    const emitters = emittersOf(state.world.level);
    const dueTicks = dueTicksOf(state);
    for (let i = 0; i < emitters.length; i++) {
      const source = emitters[i] as PreparedEmitter;
      if (state.tick < (dueTicks[i] as number)) continue;
      const { everyTicks, speed, reach } = shootingNow(source, state.dials);
      let dx: number;
      let dy: number;
      if (source.heading < 0) {
        dx = state.body.x - source.x;
        dy = state.body.y - source.y;
        const distance = Math.sqrt(dx * dx + dy * dy);
        if (distance === 0 || distance > reach || !isInSight(state.view.grid, source, state.body)) continue;
        dx /= distance;
        dy /= distance;
      } else [dx, dy] = HEADING_VECTORS[source.heading] as readonly [number, number];
      shoot(state, source.kind, source.x, source.y, dx * speed, dy * speed, reach);
      dueTicks[i] = state.tick + everyTicks;
    }
  },
  hurts: (emitters) => emitters.length > 0,
  scene: (emitters) =>
    emitters.map(({ x, y }, index) => ({
      key: `emitter-${index}`,
      figures: [{ is: 'polygon', points: [x, y - 0.42, x + 0.38, y + 0.3, x - 0.38, y + 0.3], fill: 'loss' }],
    })),
  hash: (state, hash) => dueTicksOf(state).reduce((sum, value) => mixFloat(sum, value), hash),
};
