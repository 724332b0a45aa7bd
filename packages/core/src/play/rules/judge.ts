import type { Comparison, ReadingName } from '../../document/model/index.ts';
import { compare } from './compare.ts';
import type { Observed } from './observed.ts';
import { READINGS, type ReadingDefinition } from './readings.ts';
import type { Expiry, LiveAmount, ResolvedCondition, ResolvedRule, ResolvedStars } from './resolved.ts';
import { starsFor } from './stars.ts';
import { TICKS_PER_SECOND } from './ticks.ts';

/** One condition, made ready for judging. `index` is its place in the verdicts. */
export type JudgeNode =
  | {
      is: 'compare';
      id: string;
      index: number;
      name: ReadingName;
      reading: ReadingDefinition;
      subject: number;
      comparison: Comparison;
      amount: number;
      heldTicks: number;
      live?: LiveAmount;
    }
  | {
      is: 'onOff';
      id: string;
      index: number;
      name: ReadingName;
      reading: ReadingDefinition;
      subject: number;
      on: boolean;
      heldTicks: number;
    }
  | JudgeGroup;

type JudgeLeaf = Exclude<JudgeNode, JudgeGroup>;

interface JudgeGroup {
  is: 'all' | 'any' | 'none' | 'inOrder' | 'atLeast';
  id: string;
  index: number;
  of: JudgeNode[];
  /** All that it reads, from left to right. */
  leaves: JudgeLeaf[];
  /** How many it takes; only read for “at least”. */
  count: number;
}

interface JudgeRule {
  id: string;
  when: JudgeNode;
  fires: ResolvedRule['fires'];
  everyTicks: number;
  wins: boolean;
  loses: boolean;
  /** The ending that the rule alone brings; the tie decides where it both wins and loses. */
  ending: 'won' | 'lost' | null;
  /** Has effects besides winning and losing. */
  milestone: boolean;
}

type JudgeStars =
  | {
      is: 'ladder';
      name: ReadingName;
      reading: ReadingDefinition;
      subject: number;
      atMost: boolean;
      thresholds: (number | null)[];
    }
  | { is: 'conditions'; nodes: (JudgeNode | null)[] };

/** All rules of a level, ready to judge any number of attempts. */
export interface Judge {
  rules: JudgeRule[];
  nodes: JudgeNode[];
  tie: 'win' | 'loss';
  stars: JudgeStars;
  /** The condition that starts the clock, where one does. */
  clockStart: JudgeNode | null;
}

/** The end of an attempt: by a rule, as its index, or by the clock (-1). */
export interface Ending {
  result: 'won' | 'lost';
  rule: number;
}

/** State of the judge in one attempt. Lists by condition are in the order of `Judge.nodes`. */
export interface Verdicts {
  /** Is the condition true at this tick, holding time included? */
  truth: boolean[];
  /** The reading's value at this tick; for a group, how many of its conditions are true; in order, how many are done. */
  numbers: number[];
  /** For how many ticks it has held. */
  held: number[];
  /** The amount of each comparison; differs from the judge's own once a milestone has changed a parameter. */
  amounts: number[];
  /** May a condition change although nothing that it reads moves? At the first tick, between steps in order, and when an amount is another one. */
  goesOn: boolean[];
  /** Whether the condition of each rule was true at the last tick. */
  wasTrue: boolean[];
  /** Number of times that each rule has fired. */
  fired: number[];
  /** Ticks since each rule last fired. */
  sinceFired: number[];
  /** Indices of the rules whose milestone effects are due at this tick, in the order written. */
  due: number[];
  dueCount: number;
  /** The first rules that win and that lose at this tick; -2 for none, -1 for the clock. */
  wonBy: number;
  lostBy: number;
  /** The ending of this tick, if `ended`. */
  ending: Ending;
  ended: boolean;
  /** Earned, once won. */
  stars: number;
}

function build(condition: ResolvedCondition, nodes: JudgeNode[]): JudgeNode {
  const index = nodes.length;
  if ('of' in condition) {
    const count = condition.is === 'atLeast' ? condition.count : 0;
    const node: JudgeGroup = { is: condition.is, id: condition.id, index, of: [], leaves: [], count };
    nodes.push(node);
    node.of = condition.of.map((child) => build(child, nodes));
    node.leaves = node.of.flatMap((child) => ('of' in child ? child.leaves : [child]));
    return node;
  }
  const node: JudgeNode = { ...condition, index, name: condition.reading, reading: READINGS[condition.reading] };
  nodes.push(node);
  return node;
}

/** Options of a judge, beside the rules. */
export interface JudgeOptions {
  stars?: ResolvedStars;
  clockStart?: ResolvedCondition | null;
}

/** Make a level's rules ready. */
export function makeJudge(
  rules: readonly ResolvedRule[],
  tie: 'win' | 'loss',
  { stars, clockStart = null }: JudgeOptions = {},
): Judge {
  const nodes: JudgeNode[] = [];
  return {
    nodes,
    tie,
    rules: rules.map((rule) => {
      const wins = rule.then.some((effect) => effect.effect === 'win');
      const loses = rule.then.some((effect) => effect.effect === 'lose');
      return {
        id: rule.id,
        when: build(rule.when, nodes),
        fires: rule.fires,
        everyTicks: rule.everyTicks ?? TICKS_PER_SECOND,
        wins,
        loses,
        ending: wins && (!loses || tie === 'win') ? 'won' : loses ? 'lost' : null,
        milestone: rule.then.some((effect) => effect.effect !== 'win' && effect.effect !== 'lose'),
      };
    }),
    stars:
      stars?.is === 'conditions'
        ? { is: 'conditions', nodes: stars.conditions.map((condition) => condition && build(condition, nodes)) }
        : {
            is: 'ladder',
            name: stars?.reading ?? 'timeLeft',
            reading: READINGS[stars?.reading ?? 'timeLeft'],
            subject: stars?.subject ?? 0,
            atMost: stars?.atMost ?? false,
            thresholds: stars?.thresholds ?? [],
          },
    clockStart: clockStart && build(clockStart, nodes),
  };
}

/** A clean slate for one attempt. */
export function startVerdicts(judge: Judge): Verdicts {
  const conditions = judge.nodes.length;
  const rules = judge.rules.length;
  return {
    truth: new Array<boolean>(conditions).fill(false),
    numbers: new Array<number>(conditions).fill(0),
    held: new Array<number>(conditions).fill(0),
    amounts: judge.nodes.map((node) => (node.is === 'compare' ? node.amount : 0)),
    goesOn: new Array<boolean>(conditions).fill(true),
    wasTrue: new Array<boolean>(rules).fill(false),
    fired: new Array<number>(rules).fill(0),
    sinceFired: new Array<number>(rules).fill(0),
    due: new Array<number>(rules).fill(0),
    dueCount: 0,
    wonBy: -2,
    lostBy: -2,
    ending: { result: 'lost', rule: -1 },
    ended: false,
    stars: 0,
  };
}

/** Returns whether a comparison holds for a value, without the time that it must hold. */
const isNow = (node: JudgeLeaf, value: number, { amounts }: Verdicts): boolean =>
  node.is === 'compare' ? compare(node.comparison, value, amounts[node.index] as number) : (value !== 0) === node.on;

/** Returns whether a group holds with `count` true parts; for a group in order, with `count` finished steps. */
function isMet({ is, of, count: wanted }: JudgeGroup, count: number): boolean {
  switch (is) {
    case 'all':
    case 'inOrder':
      return count >= of.length;
    case 'any':
      return count > 0;
    case 'none':
      return count === 0;
    case 'atLeast':
      return count >= wanted;
  }
}

/** Is a condition true by its leaves, which have been looked at? @param root index of the whole condition that it is in */
function groupTruth(node: JudgeNode, root: number, verdicts: Verdicts): boolean {
  const { index } = node;
  const { truth, numbers } = verdicts;
  if (node.is === 'compare' || node.is === 'onOff') return truth[index] as boolean;
  const { of } = node;
  let count: number;
  if (node.is === 'inOrder') {
    // At most one step a tick: each becomes true after the one before it, never at the same moment.
    const done = numbers[index] as number;
    count = done;
    for (let i = 0; i < of.length; i++)
      if (groupTruth(of[i] as JudgeNode, root, verdicts) && i === done) count = done + 1;
    if (count !== done) verdicts.goesOn[root] = true;
  } else {
    count = 0;
    for (let i = 0; i < of.length; i++) if (groupTruth(of[i] as JudgeNode, root, verdicts)) count++;
  }
  numbers[index] = count;
  const met = isMet(node, count);
  truth[index] = met;
  return met;
}

/** Looks at one leaf: it is compared again only when what it reads, or compares with, has moved. @returns whether it has turned */
function turns(node: JudgeLeaf, seen: Observed, verdicts: Verdicts): boolean {
  const { index } = node;
  const { truth, held, numbers } = verdicts;
  const value = node.reading.read(seen, node.subject);
  const ticks = held[index] as number;
  const hasMoved = value !== numbers[index] || (verdicts.goesOn[index] as boolean);
  if (hasMoved) {
    numbers[index] = value;
    verdicts.goesOn[index] = false;
  }
  let isTrue = false;
  if (hasMoved ? isNow(node, value, verdicts) : ticks > 0) {
    held[index] = ticks + 1;
    isTrue = ticks + 1 >= node.heldTicks;
  } else if (hasMoved) held[index] = 0;
  if (truth[index] === isTrue) return false;
  truth[index] = isTrue;
  return true;
}

/**
 * Every leaf is looked at at every tick, also inside a group already decided: holding times and the judge panel need them
 * all. Groups are looked at again only when a leaf of theirs has turned.
 */
function evaluate(node: JudgeNode, seen: Observed, verdicts: Verdicts): boolean {
  const { index } = node;
  const { goesOn, truth } = verdicts;
  if (node.is === 'compare' || node.is === 'onOff') {
    turns(node, seen, verdicts);
    return truth[index] as boolean;
  }
  const { leaves } = node;
  let isDue = goesOn[index] as boolean;
  for (let i = 0; i < leaves.length; i++) if (turns(leaves[i] as JudgeLeaf, seen, verdicts)) isDue = true;
  if (!isDue) return truth[index] as boolean;
  goesOn[index] = false;
  return groupTruth(node, index, verdicts);
}

function firesNow(rule: JudgeRule, index: number, isTrue: boolean, verdicts: Verdicts): boolean {
  const since = (verdicts.sinceFired[index] as number) + 1;
  verdicts.sinceFired[index] = since;
  if (!isTrue) return false;
  switch (rule.fires) {
    case 'once':
      return verdicts.fired[index] === 0;
    case 'eachTime':
      return !verdicts.wasTrue[index];
    case 'every':
      return !verdicts.wasTrue[index] || since >= rule.everyTicks;
  }
}

/** Is a condition true on these readings, with the time for which it has held at this tick? Changes nothing. */
function holds(node: JudgeNode, seen: Observed, verdicts: Verdicts): boolean {
  const { index } = node;
  if (node.is === 'compare' || node.is === 'onOff') {
    const now = isNow(node, node.reading.read(seen, node.subject), verdicts);
    return now && Math.max(1, verdicts.held[index] as number) >= node.heldTicks;
  }
  if (node.is === 'inOrder') return isMet(node, verdicts.numbers[index] as number);
  return isMet(node, node.of.filter((child) => holds(child, seen, verdicts)).length);
}

/** The stars that a win at this tick earns, on the readings as they are now. */
function starsNow(judge: Judge, seen: Observed, verdicts: Verdicts): number {
  const { stars } = judge;
  if (stars.is === 'ladder') return starsFor(stars.thresholds, stars.reading.read(seen, stars.subject), stars.atMost);
  let count = 0;
  for (const node of stars.nodes) if (!node || holds(node, seen, verdicts)) count++;
  return count;
}

/**
 * Judge one tick: all conditions on the same readings, then which rules fire. An empty “all of” is true.
 *
 * @returns nothing; `verdicts.due` names the milestones to carry out before `endTick` says whether the attempt ends
 */
export function judgeTick(judge: Judge, seen: Observed, verdicts: Verdicts): void {
  verdicts.wonBy = -2;
  verdicts.lostBy = -2;
  verdicts.dueCount = 0;
  if (judge.stars.is === 'conditions') {
    for (const node of judge.stars.nodes) if (node) evaluate(node, seen, verdicts);
  }
  if (judge.clockStart) evaluate(judge.clockStart, seen, verdicts);
  for (let i = 0; i < judge.rules.length; i++) {
    const rule = judge.rules[i] as JudgeRule;
    const isTrue = evaluate(rule.when, seen, verdicts);
    const fires = firesNow(rule, i, isTrue, verdicts);
    verdicts.wasTrue[i] = isTrue;
    if (!fires) continue;
    verdicts.sinceFired[i] = 0;
    verdicts.fired[i] = (verdicts.fired[i] as number) + 1;
    if (rule.milestone) verdicts.due[verdicts.dueCount++] = i;
    if (rule.wins && verdicts.wonBy === -2) verdicts.wonBy = i;
    if (rule.loses && verdicts.lostBy === -2) verdicts.lostBy = i;
  }
}

/**
 * The ending of a tick that has been judged, after its milestones: stars are counted on the readings that these have left.
 * When a win and a loss fall together, the level's tie decides.
 *
 * @param expiry what the clock's running out brings at this tick, or null; “grade” wins if the attempt earns a star
 */
export function endTick(judge: Judge, seen: Observed, verdicts: Verdicts, expiry: Expiry | null): void {
  if (expiry !== null) {
    const passed = expiry === 'won' || (expiry === 'grade' && starsNow(judge, seen, verdicts) > 0);
    if (passed && verdicts.wonBy === -2) verdicts.wonBy = -1;
    if (!passed && verdicts.lostBy === -2) verdicts.lostBy = -1;
  }
  const { wonBy, lostBy } = verdicts;
  if (wonBy === -2 && lostBy === -2) return;
  const winStands = wonBy !== -2 && (lostBy === -2 || judge.tie === 'win');
  verdicts.ended = true;
  verdicts.ending.result = winStands ? 'won' : 'lost';
  verdicts.ending.rule = winStands ? wonBy : lostBy;
  verdicts.stars = winStands ? starsNow(judge, seen, verdicts) : 0;
}
