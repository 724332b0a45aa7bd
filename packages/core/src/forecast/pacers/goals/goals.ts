import { collectablesOf, latchesOf, preparedEnemies, type AttemptState } from '../../../play/attempt/index.ts';
import type { ReadingName } from '../../../document/model/index.ts';
import type { JudgeNode, ResolvedEffect } from '../../../play/rules/index.ts';

/** The remaining needs for a win. Lists are by kind, the last entry is “any”; an index of -1 stands for none. */
export interface Needs {
  gather: boolean[];
  anythingToGather: boolean;
  /** Kinds of enemy to be beaten. */
  beat: boolean[];
  anythingToBeat: boolean;
  zone: number;
  /** Any goal will do. */
  goal: boolean;
  latch: number;
  /** Height to be reached, units; -1 for none. */
  height: number;
}

export const emptyNeeds = (kindsOfCollectable: number, kindsOfEnemy: number): Needs => ({
  gather: new Array<boolean>(kindsOfCollectable + 1).fill(false),
  anythingToGather: false,
  beat: new Array<boolean>(kindsOfEnemy + 1).fill(false),
  anythingToBeat: false,
  zone: -1,
  goal: false,
  latch: -1,
  height: -1,
});

/** Limit of the steps from a need to what opens it: a latch for a gate, a milestone for a hidden piece. */
const DEEPEST = 5;

const gather = (needs: Needs, kind: number): void => {
  needs.gather[kind] = true;
  needs.anythingToGather = true;
};

const beat = (needs: Needs, kind: number): void => {
  needs.beat[kind] = true;
  needs.anythingToBeat = true;
};

/** Pursues the first rule that does something and has not yet. */
function pursueRuleThat(
  does: (effect: ResolvedEffect) => boolean,
  state: AttemptState,
  needs: Needs,
  depth: number,
): boolean {
  const { rules } = state.world.level.judging;
  for (let i = 0; i < rules.length; i++) {
    const rule = rules[i] as (typeof rules)[number];
    if (!rule.then.some(does)) continue;
    const judged = state.world.judge.rules[i];
    if (!judged || (judged.fires === 'once' && (state.verdicts.fired[i] as number) > 0)) continue;
    add(judged.when, state, needs, depth + 1);
    return true;
  }
  return false;
}

/** Finds out how a gate is opened: by its latch, or by a milestone. */
function openGate(gate: number, state: AttemptState, needs: Needs, depth: number): void {
  const latch = latchesOf(state.world.level).findIndex(
    (entry, index) => state.observed.latches[index] === 0 && (gate < 0 || entry.opens.includes(gate)),
  );
  if (latch >= 0) {
    if (needs.latch < 0) needs.latch = latch;
    return;
  }
  pursueRuleThat(
    (effect) => effect.effect === 'gate' && effect.open && (gate < 0 || effect.gate === gate),
    state,
    needs,
    depth,
  );
}

/** Nothing of this kind lies in sight: does a milestone reveal some? */
function reveal(kind: number, state: AttemptState, needs: Needs, depth: number): void {
  const { all, remaining, remainingCount } = collectablesOf(state);
  const any = state.world.level.motion.kindsOfCollectable;
  for (let i = 0; i < remainingCount; i++) {
    if (kind === any || all[remaining[i] as number]?.kind === kind) return;
  }
  pursueRuleThat(
    (effect) => {
      if (effect.effect !== 'reveal') return false;
      const piece = all[effect.collectable];
      return piece !== undefined && piece.hidden && (kind === any || piece.kind === kind);
    },
    state,
    needs,
    depth,
  );
}

type Leaf = Extract<JudgeNode, { reading: unknown }>;
type Pursue = (node: Leaf, state: AttemptState, needs: Needs, depth: number) => void;

const gatherKind: Pursue = ({ subject }, state, needs, depth) => {
  gather(needs, subject);
  reveal(subject, state, needs, depth);
};
const gatherAny: Pursue = (_node, state, needs) => gather(needs, state.world.level.motion.kindsOfCollectable);
const beatKind: Pursue = ({ subject }, _state, needs) => beat(needs, subject);
const isToTurnOn = (node: Leaf): boolean => node.is === 'onOff' && node.on;

/** Pursuits of a player for readings that a rule still needs. Readings without an entry change by themselves. */
const PURSUITS: Partial<Record<ReadingName, Pursue>> = {
  worth: gatherKind,
  collected: gatherKind,
  left: gatherKind,
  score: gatherAny,
  distance: gatherAny,
  enemiesBeaten: beatKind,
  enemiesLeft: beatKind,
  phase: ({ subject }, state, needs) => beat(needs, preparedEnemies(state.world.level)[subject]?.kind ?? 0),
  height: (node, state, needs) => {
    if (node.is === 'compare') needs.height = state.verdicts.amounts[node.index] as number;
  },
  row: (node, state, needs) => {
    // The lower edge of that row.
    if (node.is === 'compare') needs.height = Math.max(0, (state.verdicts.amounts[node.index] as number) - 1);
  },
  crossings: (_node, _state, needs) => {
    needs.goal = true;
  },
  inside: (node, _state, needs) => {
    if (isToTurnOn(node) && needs.zone < 0) needs.zone = node.subject;
  },
  latch: (node, _state, needs) => {
    if (isToTurnOn(node) && needs.latch < 0) needs.latch = node.subject;
  },
  gate: (node, state, needs, depth) => {
    if (isToTurnOn(node)) openGate(node.subject, state, needs, depth);
  },
  tally: ({ subject }, state, needs, depth) =>
    void pursueRuleThat((effect) => effect.effect === 'tally' && effect.tally === subject, state, needs, depth),
};

/** Can this unmet condition be pursued? Fills `needs`. */
function add(node: JudgeNode, state: AttemptState, needs: Needs, depth: number): void {
  const { truth, numbers } = state.verdicts;
  if (depth > DEEPEST || truth[node.index] === true) return;
  switch (node.is) {
    // All parts of “at least k” are pursued, too: the easiest ones are not foreseen, and the first ones count.
    case 'all':
    case 'atLeast':
      for (const child of node.of) add(child, state, needs, depth);
      return;
    case 'any': {
      const [first] = node.of;
      if (first) add(first, state, needs, depth);
      return;
    }
    case 'inOrder': {
      const next = node.of[numbers[node.index] as number];
      if (next) add(next, state, needs, depth);
      return;
    }
    case 'none':
      return;
    default:
      PURSUITS[node.name]?.(node, state, needs, depth);
  }
}

/** With nothing to be won before the clock runs out, the stars say what to do until then. */
function addStars(state: AttemptState, needs: Needs): void {
  const { stars } = state.world.judge;
  if (stars.is === 'conditions') {
    for (const node of stars.nodes) if (node) add(node, state, needs, 0);
  } else if (stars.name === 'worth' || stars.name === 'collected' || stars.name === 'score')
    gather(needs, state.world.level.motion.kindsOfCollectable);
}

/** Works out what the first winning rule still lacks. @param needs is overwritten */
export function pendingNeeds(state: AttemptState, needs: Needs): void {
  clear(needs);
  for (const rule of state.world.judge.rules) {
    if (rule.ending !== 'won') continue;
    add(rule.when, state, needs, 0);
    return;
  }
  if (state.world.level.judging.atExpiry === 'grade') addStars(state, needs);
}

/** Computes the needs that open the way where the present needs cannot be reached. @param needs is overwritten */
export function needsToOpenTheWay(state: AttemptState, needs: Needs): void {
  clear(needs);
  openGate(-1, state, needs, 0);
}

function clear(needs: Needs): void {
  needs.gather.fill(false);
  needs.anythingToGather = false;
  needs.beat.fill(false);
  needs.anythingToBeat = false;
  needs.zone = -1;
  needs.goal = false;
  needs.latch = -1;
  needs.height = -1;
}
