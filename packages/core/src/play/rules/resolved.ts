import type { Comparison, ReadingName } from '../../document/model/index.ts';
import type { SubjectSort } from './readings.ts';

/** A number that follows a parameter which a milestone of the level changes: value × times + plus, or that share of `of`. */
export interface LiveAmount {
  /** Index among the level's changing parameters. */
  dial: number;
  times: number;
  plus: number;
  /** The total of which the amount is a share; absent for a plain amount. */
  of?: number;
}

/** A condition with every amount resolved for one slot: plain data, so that it can be sent, hashed and judged anywhere. */
export type ResolvedCondition =
  | {
      id: string;
      is: 'compare';
      reading: ReadingName;
      subject: number;
      comparison: Comparison;
      amount: number;
      heldTicks: number;
      live?: LiveAmount;
    }
  | { id: string; is: 'onOff'; reading: ReadingName; subject: number; on: boolean; heldTicks: number }
  | { id: string; is: 'all' | 'any' | 'none' | 'inOrder'; of: ResolvedCondition[] }
  | { id: string; is: 'atLeast'; count: number; of: ResolvedCondition[] };

export type ResolvedEffect =
  | { effect: 'win' }
  | { effect: 'lose' }
  | {
      effect: 'loseLife';
      lives: number;
      back: 'start' | 'checkpoint' | 'stay';
      /** Parts of the attempt that go back to their start. */
      resets: string[];
      /** Own tallies that do, by index. */
      tallies: number[];
    }
  | { effect: 'back'; to: 'start' | 'checkpoint' }
  | { effect: 'gate'; gate: number; open: boolean }
  | { effect: 'wave'; spawner: number }
  | { effect: 'reveal'; collectable: number }
  | { effect: 'score'; add: number }
  | { effect: 'tally'; tally: number; add: number }
  | { effect: 'heal'; by: number }
  | { effect: 'hurt'; by: number }
  | { effect: 'parameter'; dial: number; change: 'times' | 'plus' | 'set'; by: number }
  | { effect: 'message'; seconds: number }
  | { effect: 'cue'; zone: number };

export interface ResolvedRule {
  id: string;
  when: ResolvedCondition;
  then: ResolvedEffect[];
  fires: 'once' | 'eachTime' | 'every';
  /** For “every”. */
  everyTicks?: number;
}

export type ResolvedStars =
  | { is: 'ladder'; reading: ReadingName; subject: number; atMost: boolean; thresholds: (number | null)[] }
  | { is: 'conditions'; conditions: (ResolvedCondition | null)[] };

/** The ending of an attempt that runs out of time. */
export type Expiry = 'won' | 'lost' | 'grade';

/** Index of every subject a reading or an effect can have. */
export type Subjects = Readonly<
  Record<Exclude<SubjectSort, 'none'> | 'spawner' | 'piece', ReadonlyMap<string, number>>
>;
