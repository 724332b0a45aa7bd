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
  /** What the driver remembers: only it looks into it. */
  memory: unknown;
  needs: Needs;
  /** Wants to shoot. */
  fires: boolean;
  /** What is decided begins so many ticks later than the decision, less than there are between two. */
  late: number;
  reaction: Reaction;
  /** Steering error, in deviations. */
  drift: number;
  lapses: Lapses;
  stream: Stream;
}

/** How a player thinks on one kind of ground. */
export interface Driver<Memory = unknown> {
  /** What it remembers between decisions. */
  start(state: AttemptState): Memory;
  /**
   * What a player of these abilities does, seeing the state as it is now and acting a reaction later. Works out its
   * goals first, sets `player.fires` besides.
   *
   * @returns index into the actions of the kind of ground
   */
  decide(player: Player, state: AttemptState, memory: Memory): number;
  /** The input that comes of a wanted one by a steering error. What lies still in plain sight is noticed: an error that leads into it is made smaller. @param degrees to the right of it */
  misdirected(player: Player, state: AttemptState, input: number, degrees: number): number;
  /** What an absent player does in place of what it did last; that itself when absent. */
  absent?(input: number): number;
  /** Is an input about to lead into something that lies still in plain sight? */
  leadsIntoHarm(player: Player, state: AttemptState, input: number): boolean;
}
