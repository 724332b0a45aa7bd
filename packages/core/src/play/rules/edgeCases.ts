import { compare } from './compare.ts';
import { endTick, judgeTick, startVerdicts, type Judge, type JudgeNode } from './judge.ts';
import { copyObserved, type Observed } from './observed.ts';
import { READINGS, type ReadingDefinition } from './readings.ts';
import type { Expiry } from './resolved.ts';
import { TICKS_PER_SECOND, ticksToSeconds } from './ticks.ts';

/** The beginning of a case: the level's judge, and its readings before anybody has moved. */
export interface StartingJudge {
  judge: Judge;
  start: Observed;
  atExpiry: Expiry;
}

/** One reading set to a number. */
export interface Setting {
  reading: ReadingDefinition;
  subject: number;
  value: number;
}

/** The verdict on a case. */
export interface CaseVerdict {
  verdict: 'won' | 'lost' | 'goesOn';
  /** Index of the deciding rule, -1 for the clock, -2 while it goes on. */
  rule: number;
  stars: number;
  /** Indices of the rules that fired. */
  fired: number[];
}

/** Readings that stand together for some ticks. */
export interface Frame {
  set: Setting[];
  /** 1 at least. */
  ticks: number;
}

/** Judge readings that follow one another, each frame over those before it. */
export function judgeFrames(starting: StartingJudge, frames: readonly Frame[]): CaseVerdict {
  const { judge, atExpiry } = starting;
  const seen = copyObserved(starting.start);
  const verdicts = startVerdicts(judge);
  frames.forEach(({ set, ticks }) => {
    for (const { reading, subject, value } of set) reading.write(seen, subject, value);
    for (let i = 0; i < Math.max(1, ticks) && !verdicts.ended; i++) {
      const expired = seen.limitTicks >= 0 && seen.clockTicks >= seen.limitTicks;
      judgeTick(judge, seen, verdicts);
      endTick(judge, seen, verdicts, expired ? atExpiry : null);
    }
  });
  return {
    verdict: verdicts.ended ? verdicts.ending.result : 'goesOn',
    rule: verdicts.ended ? verdicts.ending.rule : -2,
    stars: verdicts.stars,
    fired: verdicts.fired.flatMap((count, index) => (count > 0 ? [index] : [])),
  };
}

/** Where on a condition a case lies. */
export type CasePlace =
  | 'below'
  | 'at'
  | 'above'
  | 'zero'
  | 'everything'
  | 'off'
  | 'on'
  | 'heldTooBriefly'
  | 'heldExactly'
  | 'coincides';

/** One row of a rule's table. */
export interface EdgeCase {
  place: CasePlace;
  /** Id of the condition that is probed; of the rule, where endings coincide. */
  condition: string;
  /** The reading's number; for holding times, seconds. */
  value: number;
  /** Where endings coincide: the other rule, -1 for the clock. */
  other: number;
  frames: Frame[];
  outcome: CaseVerdict;
  /** Did the rule that is probed fire? */
  fires: boolean;
}

type Leaf = Extract<JudgeNode, { reading: unknown }>;
const isLeaf = (node: JudgeNode): node is Leaf => 'reading' in node;

const setting = ({ reading, subject }: Leaf, value: number): Setting => ({ reading, subject, value });

/** Times are seen in whole ticks. */
const seenAs = (leaf: Leaf, amount: number): number =>
  leaf.reading.unit === 'seconds' ? ticksToSeconds(Math.round(amount * TICKS_PER_SECOND)) : amount;

/** A value at which the comparison holds, or does not: at its amount, or one step off. */
function valueFor(leaf: Leaf, wanted: boolean): number {
  if (leaf.is === 'onOff') return leaf.on === wanted ? 1 : 0;
  const amount = seenAs(leaf, leaf.amount);
  for (const value of [amount, amount + leaf.reading.step, amount - leaf.reading.step])
    if (compare(leaf.comparison, value, leaf.amount) === wanted) return value;
  return amount;
}

/** Lists that follow one another, side by side: the shorter ones come first and then stand. */
function merge(parts: Setting[][][]): Setting[][] {
  const length = parts.reduce((most, part) => Math.max(most, part.length), 1);
  return Array.from({ length }, (_, index) => parts.flatMap((part) => part[index] ?? []));
}

/** Readings at which a condition holds, or does not, as far as one can say. */
export function framesFor(node: JudgeNode, wanted: boolean): Setting[][] {
  if (isLeaf(node)) return [[setting(node, valueFor(node, wanted))]];
  const all = (value: boolean): Setting[][] => merge(node.of.map((child) => framesFor(child, value)));
  const first = (count: number): Setting[][] => merge(node.of.map((child, index) => framesFor(child, index < count)));
  switch (node.is) {
    case 'all':
      return wanted ? all(true) : first(node.of.length - 1);
    case 'any':
      return wanted ? first(1) : all(false);
    case 'none':
      return wanted ? all(false) : first(1);
    case 'atLeast':
      return first(wanted ? Math.ceil(node.count) : Math.ceil(node.count) - 1);
    case 'inOrder':
      return wanted ? node.of.flatMap((child) => framesFor(child, true)) : first(node.of.length - 1);
  }
}

const contains = (node: JudgeNode, leaf: Leaf): boolean =>
  node === leaf || (!isLeaf(node) && node.of.some((child) => contains(child, leaf)));

/** Readings at which every other leaf is made irrelevant, so that this one decides the whole condition. */
function framesAround(node: JudgeNode, leaf: Leaf): Setting[][] {
  if (isLeaf(node)) return [[]];
  let others = Math.ceil(node.is === 'atLeast' ? node.count : 0) - 1;
  const parts = node.of.map((child) => {
    if (contains(child, leaf)) return framesAround(child, leaf);
    if (node.is === 'atLeast') return framesFor(child, others-- > 0);
    return framesFor(child, node.is === 'all' || node.is === 'inOrder');
  });
  return node.is === 'inOrder' ? parts.flat() : merge(parts);
}

function leavesOf(node: JudgeNode): Leaf[] {
  return isLeaf(node) ? [node] : node.of.flatMap(leavesOf);
}

/** The longest holding time in a condition, in ticks, 1 at least. */
export const longestHold = (node: JudgeNode): number =>
  leavesOf(node).reduce((most, leaf) => Math.max(most, leaf.heldTicks), 1);

/** Makes frames of settings that follow one another; the last one lasts `ticks`. */
export const framesOf = (sets: Setting[][], ticks: number): Frame[] =>
  sets.map((set, index) => ({ set, ticks: index === sets.length - 1 ? ticks : 1 }));

/** Two conditions that come true at the very same tick, whatever each must have been held before. */
function together(own: Setting[][], ownTicks: number, other: Setting[][], otherTicks: number): Frame[] {
  const lead = merge([own.slice(0, -1), other.slice(0, -1)]).filter((set) => set.length > 0);
  const a = own.at(-1) ?? [];
  const b = other.at(-1) ?? [];
  const first: Frame = { set: ownTicks > otherTicks ? a : b, ticks: Math.abs(ownTicks - otherTicks) };
  return [
    ...lead.map((set) => ({ set, ticks: 1 })),
    ...(first.ticks > 0 ? [first] : []),
    { set: [...a, ...b], ticks: Math.min(ownTicks, otherTicks) },
  ];
}

/** The most a reading can come to, where the start says so. */
function everythingOf({ reading, subject }: Leaf, start: Observed, worthPlaced: readonly number[]): number | undefined {
  switch (reading) {
    case READINGS.worth:
      return worthPlaced[subject];
    case READINGS.collected:
      return (start.left[subject] as number) + (start.collected[subject] as number);
    case READINGS.enemiesBeaten:
      return start.enemiesLeft[subject];
    case READINGS.left:
    case READINGS.enemiesLeft:
    case READINGS.lives:
    case READINGS.health:
      return reading.read(start, subject);
    case READINGS.timeElapsed:
      return start.limitTicks < 0 ? undefined : ticksToSeconds(start.limitTicks);
    default:
      return undefined;
  }
}

/**
 * The table of a rule: the judge's verdict just below, at and just above every threshold, at zero, at everything, on and
 * off, at the edge of every holding time, and where its ending coincides with another.
 *
 * @param placed points that lie on the ground at the start, by kind of collectable, “any” last
 */
export function edgeCasesOf(starting: StartingJudge, ruleIndex: number, worthPlaced: readonly number[]): EdgeCase[] {
  const { judge, start } = starting;
  const rule = judge.rules[ruleIndex];
  if (!rule) return [];
  const longest = longestHold(rule.when);
  const cases: EdgeCase[] = [];
  const add = (place: CasePlace, condition: string, value: number, frames: Frame[], other = -2): void => {
    const outcome = judgeFrames(starting, frames);
    cases.push({ place, condition, value, other, frames, outcome, fires: outcome.fired.includes(ruleIndex) });
  };

  for (const leaf of leavesOf(rule.when)) {
    const around = framesAround(rule.when, leaf);
    // The probed number stands from the last list on; in an order its turn may come before.
    const withValue = (value: number): Setting[][] =>
      around.map((frame, index) =>
        index === around.length - 1 || around[index]?.length === 0 ? [...frame, setting(leaf, value)] : frame,
      );
    const seen = new Set<number>();
    const probe = (place: CasePlace, value: number): void => {
      const key = Math.round(value * 1e6);
      if (seen.has(key)) return;
      seen.add(key);
      add(place, leaf.id, value, framesOf(withValue(value), longest));
    };
    if (leaf.is === 'compare') {
      const amount = seenAs(leaf, leaf.amount);
      const { step } = leaf.reading;
      if (amount - step >= 0 || leaf.reading.direction === 'both') probe('below', amount - step);
      probe('at', amount);
      probe('above', amount + step);
      probe('zero', 0);
      const everything = everythingOf(leaf, start, worthPlaced);
      if (everything !== undefined && Number.isFinite(everything)) probe('everything', everything);
    } else {
      probe('off', 0);
      probe('on', 1);
    }
    if (leaf.heldTicks > 1) {
      const frames = withValue(valueFor(leaf, true));
      add('heldTooBriefly', leaf.id, ticksToSeconds(leaf.heldTicks - 1), framesOf(frames, leaf.heldTicks - 1));
      add('heldExactly', leaf.id, ticksToSeconds(leaf.heldTicks), framesOf(frames, leaf.heldTicks));
    }
  }
  if (rule.ending) {
    const own = framesFor(rule.when, true);
    judge.rules.forEach((other, index) => {
      if (!other.ending || other.ending === rule.ending) return;
      const frames = together(own, longest, framesFor(other.when, true), longestHold(other.when));
      add('coincides', rule.id, 0, frames, index);
    });
    const expires = starting.atExpiry === 'grade' ? null : starting.atExpiry;
    if (start.limitTicks >= 0 && expires !== rule.ending) {
      const last: Setting = { reading: READINGS.timeLeft, subject: 0, value: 0 };
      add('coincides', rule.id, 0, together(own, longest, [[last]], 1), -1);
    }
  }
  return cases;
}
