import { REST } from '../../../play/attempt/index.ts';
import { TICKS_PER_SECOND } from '../../../play/rules/index.ts';

/** Room for the longest reaction: 1.5 s of decisions. */
const PENDING = 16;

/** Inputs decided but not yet acted on, in a ring. */
export interface Reaction {
  /** Ticks from a decision to its act. */
  ticks: number;
  inputs: number[];
  dueTicks: number[];
  first: number;
  count: number;
  /** The present input. */
  input: number;
}

export const makeReaction = (milliseconds: number): Reaction => ({
  ticks: Math.round((milliseconds * TICKS_PER_SECOND) / 1000),
  inputs: new Array<number>(PENDING).fill(REST),
  dueTicks: new Array<number>(PENDING).fill(0),
  first: 0,
  count: 0,
  input: REST,
});

/** Takes down an input that is to be done a reaction later. */
export function intend(reaction: Reaction, tick: number, input: number): void {
  const slot = (reaction.first + reaction.count) % PENDING;
  reaction.inputs[slot] = input;
  reaction.dueTicks[slot] = tick + reaction.ticks;
  if (reaction.count < PENDING) reaction.count++;
  else reaction.first = (reaction.first + 1) % PENDING;
}

/** Returns the input at a later tick, by the decisions until now. */
export function plannedFor({ inputs, dueTicks, first, count, input }: Reaction, tick: number): number {
  for (let i = count - 1; i >= 0; i--) {
    const slot = (first + i) % PENDING;
    if ((dueTicks[slot] as number) <= tick) return inputs[slot] as number;
  }
  return input;
}

/** Returns the input at a tick: the latest decision that is due. */
export function actAt(reaction: Reaction, tick: number): number {
  while (reaction.count > 0 && (reaction.dueTicks[reaction.first] as number) <= tick) {
    reaction.input = reaction.inputs[reaction.first] as number;
    reaction.first = (reaction.first + 1) % PENDING;
    reaction.count--;
  }
  return reaction.input;
}
