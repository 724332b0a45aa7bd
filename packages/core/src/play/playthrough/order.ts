import type { Run } from '../../document/model/index.ts';
import { drawAt } from '../../basics/random/index.ts';

/** Draws for a shuffle are addressed by round, apart from all other draws. */
const SHUFFLE = 0x5f1e;

/** A shuffle of 1 … count that the seed and the round decide. Source: R. A. Fisher and F. Yates, in R. Durstenfeld's form (1964). */
function shuffled(count: number, seed: number, round: number): number[] {
  const positions = Array.from({ length: count }, (_, index) => index + 1);
  for (let i = count - 1; i > 0; i--) {
    const j = Math.floor(drawAt(seed, SHUFFLE + round, i) * (i + 1));
    [positions[i], positions[j]] = [positions[j] as number, positions[i] as number];
  }
  return positions;
}

/** The fields of a project that decide the order of play. */
interface Ordered {
  run: Pick<Run, 'order' | 'afterLast'>;
  slots: readonly unknown[];
}

/** Does the order of play ever come to an end? */
export const isEndless = ({ order, afterLast }: Ordered['run']): boolean =>
  order === 'loop' || order === 'inOrderThenShuffled' || afterLast !== 'end';

/** Do slots come again past the last one, with the numbers that the ramps go on to? */
export const isGoingOn = ({ order, afterLast }: Ordered['run']): boolean =>
  order !== 'loop' && order !== 'inOrderThenShuffled' && afterLast === 'goOn';

/**
 * The position played as the n-th of a run, when nothing sends the player elsewhere.
 *
 * @param turn from 1
 * @returns a position from 1; past the last one where the ramps go on; undefined once the run is over
 */
export function positionAtTurn({ run, slots }: Ordered, turn: number, seed: number): number | undefined {
  const count = slots.length;
  if (count === 0) return undefined;
  const { order } = run;
  const round = Math.floor((turn - 1) / count);
  const place = (turn - 1) % count;
  if (round > 0) {
    if (!isEndless(run)) return undefined;
    if (isGoingOn(run)) return turn;
  }
  const isShuffled = order === 'shuffled' || (order === 'inOrderThenShuffled' && round > 0);
  return isShuffled ? shuffled(count, seed, round)[place] : place + 1;
}

/**
 * The turn from which play goes on once it has come to a position out of turn: the one at which that position is played.
 *
 * @param turn the present one: where the order is shuffled, its round counts
 */
export function turnOf({ run, slots }: Ordered, position: number, turn: number, seed: number): number {
  const count = slots.length;
  const { order } = run;
  const round = Math.floor((turn - 1) / Math.max(1, count));
  if (order !== 'shuffled' && !(order === 'inOrderThenShuffled' && round > 0)) return position;
  const place = shuffled(count, seed, round).indexOf(position);
  return place < 0 ? position : round * count + place + 1;
}
