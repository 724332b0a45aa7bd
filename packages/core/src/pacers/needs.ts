import type { AttemptState } from '../attempt/index.ts';
import { READINGS, type JudgeNode, type ResolvedEffect } from '../rules/index.ts';

/** What is still missing for a win. Lists run by kind, the last entry is “any”; an index of -1 stands for none. */
export interface Needs {
  gather: boolean[];
  anythingToGather: boolean;
  /** Kinds of enemy to be beaten. */
  beat: boolean[];
  anythingToBeat: boolean;
  zone: number;
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
  latch: -1,
  height: -1,
});

/** What leads on to what is followed so far: a latch to a gate, a milestone to a hidden piece. */
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
  const { latches } = state.world.level.motion;
  const latch = latches.findIndex(
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
  const { collectables, remaining, remainingCount, world } = state;
  const any = world.level.motion.kindsOfCollectable;
  for (let i = 0; i < remainingCount; i++) {
    if (kind === any || collectables[remaining[i] as number]?.kind === kind) return;
  }
  pursueRuleThat(
    (effect) => {
      if (effect.effect !== 'reveal') return false;
      const piece = collectables[effect.collectable];
      return piece !== undefined && piece.hidden && (kind === any || piece.kind === kind);
    },
    state,
    needs,
    depth,
  );
}

function addReading(
  node: Extract<JudgeNode, { reading: unknown }>,
  state: AttemptState,
  needs: Needs,
  depth: number,
): void {
  const { reading, subject } = node;
  const any = state.world.level.motion.kindsOfCollectable;
  switch (reading) {
    case READINGS.worth:
    case READINGS.collected:
    case READINGS.left:
      gather(needs, subject);
      return reveal(subject, state, needs, depth);
    case READINGS.score:
    case READINGS.distance:
      return gather(needs, any);
    case READINGS.enemiesBeaten:
    case READINGS.enemiesLeft:
      return beat(needs, subject);
    case READINGS.phase:
      return beat(needs, state.world.level.motion.enemies[subject]?.kind ?? 0);
    case READINGS.height:
      if (node.is === 'compare') needs.height = state.verdicts.amounts[node.index] as number;
      return;
    case READINGS.inside:
      if (node.is === 'onOff' && node.on && needs.zone < 0) needs.zone = subject;
      return;
    case READINGS.latch:
      if (node.is === 'onOff' && node.on && needs.latch < 0) needs.latch = subject;
      return;
    case READINGS.gate:
      if (node.is === 'onOff' && node.on) openGate(subject, state, needs, depth);
      return;
    case READINGS.tally:
      pursueRuleThat((effect) => effect.effect === 'tally' && effect.tally === subject, state, needs, depth);
      return;
    default:
  }
}

/** Can this unmet condition be pursued? Fills `needs`. */
function add(node: JudgeNode, state: AttemptState, needs: Needs, depth: number): void {
  const { truth, numbers } = state.verdicts;
  if (depth > DEEPEST || truth[node.index] === true) return;
  switch (node.is) {
    // Of “at least k” too, all are pursued: which are the easiest is not foreseen, and whatever comes first counts.
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
      addReading(node, state, needs, depth);
  }
}

/** With nothing to be won before the clock runs out, the stars say what to do until then. */
function addStars(state: AttemptState, needs: Needs): void {
  const { stars } = state.world.judge;
  if (stars.is === 'conditions') {
    for (const node of stars.nodes) if (node) add(node, state, needs, 0);
  } else if (
    stars.reading === READINGS.worth ||
    stars.reading === READINGS.collected ||
    stars.reading === READINGS.score
  )
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

/** What is needed cannot be reached: works out how the way is opened. @param needs is overwritten */
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
  needs.latch = -1;
  needs.height = -1;
}
