import type { Abilities } from '../../basics/abilities/index.ts';
import type { AttemptState } from '../../play/attempt/index.ts';
import type { Stream } from '../../basics/random/index.ts';
import type { Lapses } from './faults/lapses.ts';
import type { Reaction } from './faults/reaction.ts';
import type { Needs } from './goals/index.ts';

/** One simulated player at one attempt: what it pursues, its faults, and how it thinks on this kind of ground. */
export interface Player {
  abilities: Abilities;
  driver: Driver;
  /** Memory of the driver; only the driver reads it. */
  memory: unknown;
  needs: Needs;
  /** Wants to shoot. */
  fires: boolean;
  /** Delay of a decision's effect in ticks, less than the ticks between two decisions. */
  late: number;
  reaction: Reaction;
  /** Steering error, in deviations. */
  drift: number;
  lapses: Lapses;
  stream: Stream;
}

/** How a player thinks on one kind of ground. */
export interface Driver<Memory = unknown> {
  /** Returns the memory between decisions. */
  start(state: AttemptState): Memory;
  /**
   * Returns the act of a player of these abilities, who sees the present state and acts a reaction later. Computes
   * its goals first, and also sets `player.fires`.
   * @returns index into the actions of the kind of ground
   */
  decide(player: Player, state: AttemptState, memory: Memory): number;
  /** The input that comes of a wanted one by a steering error. What lies still in plain sight is noticed: an error that leads into it is made smaller. @param degrees to the right of it */
  misdirected(player: Player, state: AttemptState, input: number, degrees: number): number;
  /** Returns the input of an absent player in place of its last one; without this function the last one stays. */
  absent?(input: number): number;
  /** Is an input about to lead into something that lies still in plain sight? */
  leadsIntoHarm(player: Player, state: AttemptState, input: number): boolean;
}
