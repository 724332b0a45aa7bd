import type { Piece, Place } from '../../../document/model/index.ts';
import { mix } from '../../../basics/random/index.ts';
import { disc, ring } from '../mark.ts';
import { isTouching } from '../touching.ts';
import type { AttemptState, PieceSort } from '../types.ts';
import { startPlace } from './start.ts';

/** Index of the checkpoint touched last, -1 for none. */
interface Reached {
  index: number;
}

const placesOf = ({ world }: AttemptState): readonly Place[] =>
  world.level.motion.pieces.checkpoint as readonly Place[];

/** The checkpoint touched last: where a life goes on; -1 for none. */
export const checkpointOf = (state: AttemptState): number => (state.pieces.checkpoint as Reached).index;

/** Where a life goes on. */
export const placeOfReturn = (state: AttemptState, back: 'start' | 'checkpoint'): Place =>
  (back === 'checkpoint' ? placesOf(state)[checkpointOf(state)] : undefined) ?? startPlace(state.world.level);

/** A place where a life can go on. */
export const checkpoint: PieceSort<Extract<Piece, { piece: 'checkpoint' }>, Place, Reached> = {
  name: 'checkpoint',
  prepare: ({ at }) => at,
  start: () => ({ index: -1 }),
  contact(state) {
    const places = placesOf(state);
    const reached = state.pieces.checkpoint as Reached;
    for (let i = 0; i < places.length; i++) {
      if (i === reached.index || !isTouching(state, places[i] as Place)) continue;
      reached.index = i;
      state.happenings.push({ tick: state.tick, what: 'piece', piece: 'checkpoint', index: i, did: 'is reached' });
    }
  },
  scene: (places, _level, now) =>
    places.map(({ x, y }, index) => {
      const isReached = now !== undefined && checkpointOf(now.state) === index;
      return {
        key: `checkpoint-${index}`,
        figures: isReached ? [ring(x, y, 0.4, 'win'), disc(x, y, 0.16, 'win', 'win')] : [ring(x, y, 0.4, 'ink')],
      };
    }),
  hash: (state, hash) => mix(hash, checkpointOf(state)),
};
