import type { Amount, Condition, Effect, Reading, Rule } from '../model/index.ts';
import type { Values } from '../ramps/index.ts';
import type { Placed } from './placed.ts';
import { readingDefinition } from './readings.ts';
import type { ResolvedCondition, ResolvedEffect, ResolvedRule, Subjects } from './resolved.ts';

/** Attempts run at this fixed rate, in play and in trials alike. */
export const TICKS_PER_SECOND = 60;

/** The tick nearest to a time. @param seconds 0 or more */
export const secondsToTicks = (seconds: number): number => Math.max(0, Math.round(seconds * TICKS_PER_SECOND));

/** Shares this close above a whole number are that number: 0.7 × 10 must need 7 pieces, not 8. */
const WHOLE = 1e-9;

/** An amount's number at one slot, in the unit of whatever takes it. Shares of what is placed are rounded up to a whole number. */
export function resolveAmount(amount: Amount, values: Values, placed: Placed): number {
  switch (amount.from) {
    case 'number':
      return amount.value;
    case 'parameter':
      return (values[amount.parameter] ?? 0) * (amount.times ?? 1) + (amount.plus ?? 0);
    case 'share':
      return Math.ceil(resolveAmount(amount.share, values, placed) * (placed[amount.measure][amount.of] ?? 0) - WHOLE);
  }
}

function subjectOf(reading: Reading, subjects: Subjects): number {
  const { subject } = readingDefinition(reading);
  if (subject === 'none') return 0;
  const name = 'of' in reading ? reading.of : 'zone' in reading ? reading.zone : 'kind' in reading ? reading.kind : '';
  return subjects[subject].get(name) ?? -1;
}

/** All rules of a level with every amount resolved. */
export function resolveRules(
  rules: readonly Rule[],
  values: Values,
  placed: Placed,
  subjects: Subjects,
): ResolvedRule[] {
  const number = (amount: Amount): number => resolveAmount(amount, values, placed);
  const condition = (source: Condition): ResolvedCondition => {
    if ('of' in source) return { id: source.id, is: source.is, of: source.of.map(condition) };
    const heldTicks = source.heldSeconds ? secondsToTicks(number(source.heldSeconds)) : 0;
    const subject = subjectOf(source.reading, subjects);
    const { id } = source;
    const { reading } = source.reading;
    return source.is === 'compare'
      ? { id, is: source.is, reading, subject, comparison: source.comparison, amount: number(source.amount), heldTicks }
      : { id, is: source.is, reading, subject, on: source.on, heldTicks };
  };
  const effect = (source: Effect): ResolvedEffect =>
    source.effect === 'loseLife'
      ? { effect: 'loseLife', lives: number(source.lives), back: source.back }
      : { effect: source.effect };
  return rules.map((rule) => ({
    id: rule.id,
    when: condition(rule.when),
    then: rule.then.map(effect),
    fires: rule.fires,
  }));
}
