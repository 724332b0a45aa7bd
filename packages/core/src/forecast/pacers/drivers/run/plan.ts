import { JUMP, RUN_ON, SLIDE } from '../../../../play/movement/index.ts';

/** One thing that a player is about to do: from a tick of the attempt up to another, exclusive. */
export interface Plan {
  does: typeof JUMP | typeof SLIDE | typeof RUN_ON;
  from: number;
  until: number;
}

export const NOTHING: Readonly<Plan> = { does: RUN_ON, from: 0, until: 0 };

/** For how long jump or slide is held. Ticks. */
export const HOLDS: readonly (readonly [does: Plan['does'], ticks: number])[] = [
  [JUMP, 30],
  [JUMP, 8],
  [SLIDE, 20],
  [SLIDE, 54],
];

/** The input of a plan at a tick of the attempt. */
export const inputAt = ({ does, from, until }: Plan, tick: number): number =>
  tick >= from && tick < until ? does : RUN_ON;
