import {
  literal,
  type Amount,
  type Condition,
  type Effect,
  type Level,
  type Reading,
  type Rule,
} from '@stadion/core/document/model';
import type { Topic } from './ruleTopics.ts';

/** Something a designer wants to say, as one plain line, and the rules that say it. */
export interface Intent {
  /** One plain line. */
  say: string;
  /** Other words it is found by. */
  also?: string;
  topic: Topic;
  rules: Rule[];
  /** Sets the clock besides. */
  clock?: Partial<Level['clock']>;
}

export const condition = (
  id: string,
  reading: Reading,
  amount: Amount | number,
  comparison: 'atLeast' | 'atMost' = 'atLeast',
): Condition => ({
  id,
  is: 'compare',
  reading,
  comparison,
  amount: typeof amount === 'number' ? literal(amount) : amount,
});
/** A condition on something that is so or not. */
export const so = (id: string, reading: Reading): Condition => ({ id, is: 'onOff', reading, on: true });
export const all = (id: string, ...of: Condition[]): Condition => ({ id, is: 'all', of });
export const rule = (id: string, when: Condition, then: Effect[], fires: Rule['fires'] = 'once'): Rule => ({
  id,
  when,
  then,
  fires,
});
/** Won when all of these hold. */
export const wins = (...of: Condition[]): Rule[] => {
  const [only] = of;
  return [rule('won', of.length === 1 && only ? only : all('won-all', ...of), [{ effect: 'win' }])];
};
export const loses = (id: string, cause: string, when: Condition): Rule[] => [
  rule(id, when, [{ effect: 'lose', cause }]),
];
