import type { Amount, Condition, Effect, Reading, Rule, Stars } from '../../document/model/index.ts';
import type { Values } from '../../document/ramps/index.ts';
import type { LiveRamp } from './liveRamps.ts';
import type { Placed } from './placed.ts';
import { readingDefinition, subjectId } from './readings.ts';
import { secondsToTicks, TICKS_PER_SECOND } from './ticks.ts';
import type {
  LiveAmount,
  ResolvedCondition,
  ResolvedEffect,
  ResolvedRule,
  ResolvedStars,
  Subjects,
} from './resolved.ts';

/** Shares this close above a whole number are that number: 0.7 × 10 must need 7 pieces, not 8. */
const WHOLE = 1e-9;

/** A share of what is placed, rounded up to a whole number. */
export const shareOf = (share: number, placed: number): number => Math.ceil(share * placed - WHOLE);

/** An amount's number at one slot, in the unit of whatever takes it. Shares of what is placed are rounded up to a whole number. */
export function resolveAmount(amount: Amount, values: Values, placed: Placed): number {
  switch (amount.from) {
    case 'number':
      return amount.value;
    case 'parameter':
      return (values[amount.parameter] ?? 0) * (amount.times ?? 1) + (amount.plus ?? 0);
    case 'placed':
      return placed[amount.measure][amount.of] ?? 0;
    case 'share':
      return shareOf(resolveAmount(amount.share, values, placed), placed[amount.measure][amount.of] ?? 0);
  }
}

/** The facts of one level at one slot that resolving needs. */
export interface Resolving {
  values: Values;
  placed: Placed;
  subjects: Subjects;
  /** The parameters that change during the attempt, by milestones or along a reading, by key. */
  dials: ReadonlyMap<string, number>;
  liveRamps: LiveRamp[];
}

/** How an amount follows a parameter that changes during the attempt; undefined for one that does not. */
export function liveAmount(
  amount: Amount,
  { dials, placed }: Pick<Resolving, 'dials' | 'placed'>,
): LiveAmount | undefined {
  const source = amount.from === 'share' ? amount.share : amount;
  if (source.from !== 'parameter') return undefined;
  const dial = dials.get(source.parameter);
  if (dial === undefined) return undefined;
  const { times = 1, plus = 0 } = source;
  return { dial, times, plus, ...(amount.from === 'share' ? { of: placed[amount.measure][amount.of] ?? 0 } : {}) };
}

/** The subject's index among its kind, 0 for readings without one, -1 where there is no such thing. */
export function subjectOf(reading: Reading, subjects: Subjects): number {
  const { subject } = readingDefinition(reading);
  return subject === 'none' ? 0 : (subjects[subject].get(subjectId(reading)) ?? -1);
}

export function resolveCondition(source: Condition, resolving: Resolving): ResolvedCondition {
  const { values, placed, subjects } = resolving;
  const number = (amount: Amount): number => resolveAmount(amount, values, placed);
  const { id } = source;
  if ('of' in source) {
    const of = source.of.map((child) => resolveCondition(child, resolving));
    return source.is === 'atLeast'
      ? { id, is: 'atLeast', count: source.count ? number(source.count) : 1, of }
      : { id, is: source.is, of };
  }
  const heldTicks = source.heldSeconds
    ? secondsToTicks(Math.min(MOST_HELD_SECONDS, Math.max(0, number(source.heldSeconds))))
    : 0;
  const subject = subjectOf(source.reading, subjects);
  const { reading } = source.reading;
  if (source.is === 'onOff') return { id, is: 'onOff', reading, subject, on: source.on, heldTicks };
  const live = liveAmount(source.amount, resolving);
  const { comparison } = source;
  const amount = number(source.amount);
  return { id, is: 'compare', reading, subject, comparison, amount, heldTicks, ...(live ? { live } : {}) };
}

/** Nobody waits longer; edge cases hold a condition for as long as it asks. */
export const MOST_HELD_SECONDS = 600;

/** Returns an amount that can only be taken or given, never the reverse. */
const atLeastNothing = (value: number): number => Math.max(0, value);

function resolveEffect(source: Effect, { values, placed, subjects, dials }: Resolving): ResolvedEffect {
  const number = (amount: Amount): number => resolveAmount(amount, values, placed);
  const index = (sort: keyof Subjects, id: string): number => subjects[sort].get(id) ?? -1;
  switch (source.effect) {
    case 'win':
    case 'lose':
      return { effect: source.effect };
    case 'loseLife':
      return {
        effect: 'loseLife',
        lives: Math.round(atLeastNothing(number(source.lives))),
        back: source.back,
        resets: source.resets.filter((name) => !subjects.tally.has(name)),
        tallies: source.resets.flatMap((name) => subjects.tally.get(name) ?? []),
      };
    case 'back':
      return { effect: 'back', to: source.to };
    case 'gate':
      return { effect: 'gate', gate: index('gate', source.gate), open: source.open };
    case 'wave':
      return { effect: 'wave', spawner: index('spawner', source.spawner) };
    case 'reveal':
      return { effect: 'reveal', collectable: index('piece', source.piece) };
    case 'score':
      return { effect: 'score', add: number(source.add) };
    case 'tally':
      return { effect: 'tally', tally: index('tally', source.tally), add: number(source.add) };
    case 'heal':
    case 'hurt':
      return { effect: source.effect, by: atLeastNothing(number(source.by)) };
    case 'parameter':
      return {
        effect: 'parameter',
        dial: dials.get(source.parameter) ?? -1,
        change: source.change,
        by: number(source.by),
      };
    case 'message':
      return { effect: 'message', seconds: number(source.seconds) };
    case 'cue':
      return { effect: 'cue', zone: source.at === undefined ? -1 : index('zone', source.at) };
  }
}

/** Rules with every amount resolved. */
export function resolveRules(rules: readonly Rule[], resolving: Resolving): ResolvedRule[] {
  return rules.map((rule) => ({
    id: rule.id,
    when: resolveCondition(rule.when, resolving),
    then: rule.then.map((effect) => resolveEffect(effect, resolving)),
    fires: rule.fires,
    ...(rule.fires === 'every'
      ? {
          everyTicks: Math.max(
            1,
            rule.everySeconds
              ? secondsToTicks(resolveAmount(rule.everySeconds, resolving.values, resolving.placed))
              : TICKS_PER_SECOND,
          ),
        }
      : {}),
  }));
}

export function resolveStars(stars: Stars, resolving: Resolving): ResolvedStars {
  const { values, placed, subjects } = resolving;
  if (stars.is === 'conditions') {
    return {
      is: 'conditions',
      conditions: stars.conditions.map((condition) => condition && resolveCondition(condition, resolving)),
    };
  }
  const { reading } = stars;
  return {
    is: 'ladder',
    reading,
    subject: reading === 'worth' || reading === 'collected' ? (subjects.collectable.get('any') ?? 0) : 0,
    atMost: stars.direction === 'atMost',
    thresholds: stars.thresholds.map((threshold) => threshold && resolveAmount(threshold, values, placed)),
  };
}

/** The keys of the parameters that a level's rules change during an attempt, in the order met. */
export function changedParameters(rules: readonly Rule[]): string[] {
  const keys = rules.flatMap((rule) =>
    rule.then.flatMap((effect) => (effect.effect === 'parameter' ? [effect.parameter] : [])),
  );
  return [...new Set(keys)];
}
