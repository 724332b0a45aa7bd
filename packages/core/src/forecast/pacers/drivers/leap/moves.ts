import { sideInput, type Side } from '../../../../play/movement/index.ts';

/**
 * A possible move as inputs over ticks: a side, the time that jump is held, and the time at which the side is
 * released. All times are multiples of a decision, so that the imagined move is the real one.
 */

/** One thing that can be tried. */
export interface Move {
  side: Side;
  /** Ticks for which the side is held. */
  sideTicks: number;
  /** Ticks for which jump is held; 0 for none. */
  jumpTicks: number;
}

const LONG = 1000;
const SIDES = [1, -1] as const;

/** From the floor: walk, stand, and jumps of several lengths to either side and straight up. */
export const FROM_FLOOR: readonly Move[] = [
  ...SIDES.map((side): Move => ({ side, sideTicks: LONG, jumpTicks: 0 })),
  ...SIDES.flatMap((side) => [6, 12, 36].map((jumpTicks): Move => ({ side, sideTicks: LONG, jumpTicks }))),
  ...SIDES.flatMap((side) => [12, 24].map((sideTicks): Move => ({ side, sideTicks, jumpTicks: 36 }))),
  { side: 0, sideTicks: 0, jumpTicks: 36 },
  ...SIDES.map((side): Move => ({ side, sideTicks: 6, jumpTicks: 0 })),
];
/** Waiting: only when nothing better is safe. */
export const WAIT: Move = { side: 0, sideTicks: 0, jumpTicks: 0 };

/** Moves that a standing player tries. */
export const ON_FLOOR: readonly Move[] = [...FROM_FLOOR, WAIT];

/** In the air: the sides, for how long, and whether jump is still held. */
export const IN_AIR: readonly Move[] = [
  ...[1, -1, 0].flatMap((side) =>
    [0, 12, 36].map((jumpTicks): Move => ({ side: side as Move['side'], sideTicks: LONG, jumpTicks })),
  ),
  ...SIDES.flatMap((side) => [6, 12].map((sideTicks): Move => ({ side, sideTicks, jumpTicks: 0 }))),
];

/** The input of a move at one of its ticks. */
export const inputAt = ({ side, sideTicks, jumpTicks }: Move, tick: number): number =>
  sideInput(tick < sideTicks ? side : 0, tick < jumpTicks);
