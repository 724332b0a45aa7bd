import type { Comparison } from '../model/index.ts';
import { compare } from './compare.ts';
import type { Observed } from './observed.ts';
import { READINGS, type ReadingDefinition } from './readings.ts';
import type { ResolvedCondition, ResolvedRule } from './resolved.ts';

/** One condition, made ready for judging. `index` is its place in the verdicts. */
export type JudgeNode =
  | {
      is: 'compare';
      id: string;
      index: number;
      reading: ReadingDefinition;
      subject: number;
      comparison: Comparison;
      amount: number;
      heldTicks: number;
    }
  | {
      is: 'onOff';
      id: string;
      index: number;
      reading: ReadingDefinition;
      subject: number;
      on: boolean;
      heldTicks: number;
    }
  | { is: 'all' | 'any' | 'none'; id: string; index: number; of: JudgeNode[] };

interface JudgeRule {
  id: string;
  when: JudgeNode;
  once: boolean;
  ending: 'won' | 'lost' | null;
  /** Has effects besides winning and losing. */
  milestone: boolean;
}

/** All rules of a level, ready to judge any number of attempts. */
export interface Judge {
  rules: JudgeRule[];
  nodes: JudgeNode[];
  tie: 'win' | 'loss';
}

/** What ended an attempt: a rule by its index, or the clock (-1). */
export interface Ending {
  result: 'won' | 'lost';
  rule: number;
}

/** What the judge remembers of one attempt. Lists by condition run in the order of `Judge.nodes`. */
export interface Verdicts {
  /** Is the condition true at this tick, holding time included? */
  truth: boolean[];
  /** The reading's value at this tick; for a group, how many of its conditions are true. */
  numbers: number[];
  /** For how many ticks it has held. */
  held: number[];
  /** By rule: was its condition true at the last tick? */
  wasTrue: boolean[];
  /** By rule: ticks at which it fired, as a count. */
  fired: number[];
  /** Indices of the rules whose milestone effects are due at this tick, in the order written. */
  due: number[];
  dueCount: number;
  /** The ending of this tick, if `ended`. */
  ending: Ending;
  ended: boolean;
}

function build(condition: ResolvedCondition, nodes: JudgeNode[]): JudgeNode {
  const index = nodes.length;
  if ('of' in condition) {
    const node: JudgeNode = { is: condition.is, id: condition.id, index, of: [] };
    nodes.push(node);
    node.of = condition.of.map((child) => build(child, nodes));
    return node;
  }
  const node: JudgeNode = { ...condition, index, reading: READINGS[condition.reading] };
  nodes.push(node);
  return node;
}

/** Make a level's rules ready. */
export function makeJudge(rules: readonly ResolvedRule[], tie: 'win' | 'loss'): Judge {
  const nodes: JudgeNode[] = [];
  return {
    nodes,
    tie,
    rules: rules.map((rule) => ({
      id: rule.id,
      when: build(rule.when, nodes),
      once: rule.fires === 'once',
      ending: rule.then.some((effect) => effect.effect === 'win')
        ? 'won'
        : rule.then.some((effect) => effect.effect === 'lose')
          ? 'lost'
          : null,
      milestone: rule.then.some((effect) => effect.effect !== 'win' && effect.effect !== 'lose'),
    })),
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
    wasTrue: new Array<boolean>(rules).fill(false),
    fired: new Array<number>(rules).fill(0),
    due: new Array<number>(rules).fill(0),
    dueCount: 0,
    ending: { result: 'lost', rule: -1 },
    ended: false,
  };
}

/** Every condition is evaluated at every tick, also inside a group already decided: holding times and the judge panel need them all. */
function evaluate(node: JudgeNode, seen: Observed, verdicts: Verdicts): boolean {
  const { index } = node;
  let truth: boolean;
  if (node.is === 'compare' || node.is === 'onOff') {
    const value = node.reading.read(seen, node.subject);
    verdicts.numbers[index] = value;
    const now = node.is === 'compare' ? compare(node.comparison, value, node.amount) : (value !== 0) === node.on;
    const held = now ? (verdicts.held[index] as number) + 1 : 0;
    verdicts.held[index] = held;
    truth = now && held >= node.heldTicks;
  } else {
    let count = 0;
    for (const child of node.of) if (evaluate(child, seen, verdicts)) count++;
    verdicts.numbers[index] = count;
    truth = node.is === 'all' ? count === node.of.length : node.is === 'any' ? count > 0 : count === 0;
  }
  verdicts.truth[index] = truth;
  return truth;
}

/**
 * Judge one tick: all conditions on the same readings, then which rules fire, then the ending. An empty “all of” is true.
 *
 * @param expiry what the clock's running out brings at this tick, or null
 * @returns nothing; `verdicts.due` names the milestones to carry out, `verdicts.ending` the end, if any. When a win and a
 * loss fall together, the level's tie decides.
 */
export function judgeTick(judge: Judge, seen: Observed, verdicts: Verdicts, expiry: 'won' | 'lost' | null): void {
  let won = -2;
  let lost = -2;
  verdicts.dueCount = 0;
  for (let i = 0; i < judge.rules.length; i++) {
    const rule = judge.rules[i] as JudgeRule;
    const isTrue = evaluate(rule.when, seen, verdicts);
    const fires = isTrue && (rule.once ? verdicts.fired[i] === 0 : !verdicts.wasTrue[i]);
    verdicts.wasTrue[i] = isTrue;
    if (!fires) continue;
    verdicts.fired[i] = (verdicts.fired[i] as number) + 1;
    if (rule.milestone) verdicts.due[verdicts.dueCount++] = i;
    if (rule.ending === 'won' && won === -2) won = i;
    if (rule.ending === 'lost' && lost === -2) lost = i;
  }
  if (expiry === 'won' && won === -2) won = -1;
  if (expiry === 'lost' && lost === -2) lost = -1;
  if (won === -2 && lost === -2) return;
  const winStands = won !== -2 && (lost === -2 || judge.tie === 'win');
  verdicts.ended = true;
  verdicts.ending.result = winStands ? 'won' : 'lost';
  verdicts.ending.rule = winStands ? won : lost;
}
