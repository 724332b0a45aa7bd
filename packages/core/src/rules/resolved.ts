import type { Comparison, ReadingName } from '../model/index.ts';

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
    }
  | { id: string; is: 'onOff'; reading: ReadingName; subject: number; on: boolean; heldTicks: number }
  | { id: string; is: 'all' | 'any' | 'none'; of: ResolvedCondition[] };

export type ResolvedEffect =
  { effect: 'win' } | { effect: 'lose' } | { effect: 'loseLife'; lives: number; back: 'start' | 'stay' };

export interface ResolvedRule {
  id: string;
  when: ResolvedCondition;
  then: ResolvedEffect[];
  fires: 'once' | 'eachTime';
}

/** Index of every subject a reading can have. */
export interface Subjects {
  collectable: ReadonlyMap<string, number>;
  enemy: ReadonlyMap<string, number>;
  goal: ReadonlyMap<string, number>;
}
