import { drawAt, mix } from '../../basics/random/index.ts';
import { amountOf, readBy, strengthOf, type Strength } from './strength.ts';
import {
  withRole,
  type PreparedAction,
  type PreparedBout,
  type PreparedFighter,
  type PreparedUse,
} from './prepared.ts';

/** A bout made ready for any number of plays. Fighters are numbered: ours first, then theirs. */
export interface BoutWorld {
  bout: PreparedBout;
  fighters: PreparedFighter[];
  /** Number of fighters of the party; they come first. */
  ours: number;
  /** Index of the statistic that is lost, and of the one that says who comes first; -1 for none. */
  lost: number;
  first: number;
  strengths: Strength[];
  /** Whether the formula of each action reads a statistic that changes during a bout. */
  isMoving: boolean[];
  /** Strengths that cannot change, by action, who acts and who is struck; filled when first asked for. */
  known: (number | undefined)[];
  /** The same with misses and element, as amounts that can be expected. */
  means: (number | undefined)[];
}

/** The choice of a fighter for its turn. */
export interface Choice {
  /** Index into the fighter's uses. */
  use: number;
  /** The fighter that is struck, where the action strikes one. */
  target: number;
}

export type BoutPhase = 'playing' | 'won' | 'lost' | 'endless' | 'withdrawn';

export interface BoutState {
  world: BoutWorld;
  seed: number;
  phase: BoutPhase;
  /** From 1, once the first has begun. */
  round: number;
  /** Present value of each statistic, by fighter. */
  now: number[][];
  /** Turns that each fighter has had. */
  turns: number[];
  /** How full each gauge is, 0–1. */
  gauges: number[];
  /** Draws that each fighter has made: an address, so that others' do not change them. */
  draws: number[];
  /** Amount that each fighter has spent, by statistic. */
  spent: number[][];
}

/** The effect of one action on one fighter, with the numbers that it was computed from. */
export interface Struck {
  target: number;
  /** Before spread and element; not a number where the formula came to none. */
  strength: number;
  /** Factor that was drawn, and the share for the element. */
  spread: number;
  share: number;
  hits: boolean;
  amount: number;
  /** Remaining health after it. */
  left: number;
  falls: boolean;
}

/** One turn of one fighter. Without an action, nothing could be done. */
export interface Turn {
  round: number;
  actor: number;
  action: number | null;
  struck: Struck[];
}

export function makeBoutWorld(bout: PreparedBout): BoutWorld {
  const fighters = [...bout.ours, ...bout.theirs];
  const spent = bout.actions.flatMap(({ costs }) => costs.map(({ statistic }) => statistic));
  const lost = withRole(bout, 'lost');
  const moving = new Set([lost, ...spent]);
  return {
    ...{ bout, fighters, ours: bout.ours.length, lost, first: withRole(bout, 'first') },
    strengths: bout.actions.map((action) => strengthOf(bout, action)),
    isMoving: bout.actions.map((action) => readBy(bout, action).some((statistic) => moving.has(statistic))),
    ...{ known: [], means: [] },
  };
}

/** @param health share of what is lost that each of ours comes with; all of it when absent */
export function startBout(world: BoutWorld, seed: number, health = 1): BoutState {
  const { fighters, lost, ours } = world;
  const none = (): number[] => fighters.map(() => 0);
  const state: BoutState = {
    ...{ world, seed, phase: 'playing', round: 0 },
    now: fighters.map(({ statistics }, index) =>
      statistics.map((value, s) => (s === lost && index < ours ? value * health : value)),
    ),
    ...{ turns: none(), gauges: none(), draws: none() },
    spent: fighters.map(({ statistics }) => statistics.map(() => 0)),
  };
  settle(state);
  return state;
}

/** Begins the same bout again, with other draws. @param times number of new beginnings, from 1 */
export const startBoutAnew = (world: BoutWorld, seed: number, times: number): BoutState =>
  startBout(world, mix(seed, times));

export const isOurs = ({ ours }: BoutWorld, fighter: number): boolean => fighter < ours;

/** Returns the remaining health of a fighter; 0 where no statistic is lost. */
export const leftOf = ({ world: { lost }, now }: BoutState, fighter: number): number =>
  lost === -1 ? 0 : ((now[fighter] as number[])[lost] as number);

/** Somebody stands while something is left of what is lost; where nothing is lost, everybody does. */
export const stands = (state: BoutState, fighter: number): boolean =>
  state.world.lost === -1 || leftOf(state, fighter) > 0;

/** The share that is left of what is lost. */
export function healthShare(state: BoutState, fighter: number): number {
  const { fighters, lost } = state.world;
  const full = (fighters[fighter] as PreparedFighter).statistics[lost] ?? 0;
  return full > 0 ? leftOf(state, fighter) / full : 0;
}

/** How a bout stands, counted. */
export interface Standing {
  /** Number of fallen fighters of the party. */
  fallen: number;
  beaten: number;
  /** Remaining share of health of the party. */
  health: number;
  /** Share of what is lost that is left, by place of the fighter; of several alike, of all together. */
  shares: number[];
}

/** @param places of the fighters, ours first, among those whose shares are asked for; -1 for none @param count of those */
export function standingNow(state: BoutState, places: readonly number[], count: number): Standing {
  const { fighters, ours, lost } = state.world;
  const full = new Array<number>(count).fill(0);
  const left = new Array<number>(count).fill(0);
  let [fallen, beaten, health] = [0, 0, 0];
  for (let i = 0; i < fighters.length; i++) {
    const down = !stands(state, i);
    if (i < ours) {
      if (down) fallen++;
      health += leftOf(state, i);
    } else if (down) beaten++;
    const place = places[i] as number;
    if (place < 0) continue;
    full[place] = (full[place] as number) + ((fighters[i] as PreparedFighter).statistics[lost] ?? 0);
    left[place] = (left[place] as number) + leftOf(state, i);
  }
  const shares = full.map((all, place) => (all > 0 ? (left[place] as number) / all : 0));
  return { fallen, beaten, health, shares };
}

/** Those who stand on the fighter's own side, or on the other. */
export function standing(state: BoutState, fighter: number, side: 'own' | 'other'): number[] {
  const { world } = state;
  const ours = isOurs(world, fighter) === (side === 'own');
  const [from, to] = ours ? [0, world.ours] : [world.ours, world.fighters.length];
  const list: number[] = [];
  for (let i = from; i < to; i++) if (stands(state, i)) list.push(i);
  return list;
}

/** The next number of a fighter's own, in [0, 1). */
export const draw = (state: BoutState, fighter: number): number =>
  drawAt(state.seed, fighter, (state.draws[fighter] as number)++);

/** Can a use be chosen now: is its share of health met, its turn come, its cost there? */
export function isUsable(
  state: BoutState,
  fighter: number,
  { action, below, above, everyTurns }: PreparedUse,
): boolean {
  const share = healthShare(state, fighter);
  if (share > below || share <= above) return false;
  if (((state.turns[fighter] as number) + 1) % everyTurns !== 0) return false;
  const now = state.now[fighter] as number[];
  const { costs } = state.world.bout.actions[action] as PreparedAction;
  return costs.every(({ statistic, amount }) => (now[statistic] as number) >= amount);
}

/** Indices of the uses that a fighter can choose now. */
export function usable(state: BoutState, fighter: number): number[] {
  const { uses } = state.world.fighters[fighter] as PreparedFighter;
  const list: number[] = [];
  for (let i = 0; i < uses.length; i++) if (isUsable(state, fighter, uses[i] as PreparedUse)) list.push(i);
  return list;
}

/** Whom an action can strike, one at a time. Empty where it does not strike one of several. */
export function targetsOf(state: BoutState, fighter: number, { strikes }: PreparedAction): number[] {
  if (strikes === 'one') return standing(state, fighter, 'other');
  return strikes === 'ally' ? standing(state, fighter, 'own') : [];
}

/** The strength of an action of one fighter on another as they are now. */
export function strengthNow(state: BoutState, action: number, actor: number, target: number): number {
  const { world, now } = state;
  const { strengths, isMoving, known, fighters } = world;
  const strength = strengths[action] as Strength;
  if (isMoving[action]) return strength(now[actor] as number[], now[target] as number[]);
  return (known[placeOf(world, action, actor, target)] ??= strength(
    (fighters[actor] as PreparedFighter).statistics,
    (fighters[target] as PreparedFighter).statistics,
  ));
}

const placeOf = ({ fighters: { length } }: BoutWorld, action: number, actor: number, target: number): number =>
  (action * length + actor) * length + target;

/** Returns the expected effect of an action on a fighter, misses and element included. */
export function expectedNow(state: BoutState, index: number, actor: number, target: number): number {
  const { bout, fighters, isMoving, means } = state.world;
  const at = placeOf(state.world, index, actor, target);
  const known = isMoving[index] ? undefined : means[at];
  if (known !== undefined) return known;
  const action = bout.actions[index] as PreparedAction;
  const share = shareReaching(action, fighters[target] as PreparedFighter);
  const amount = action.chance * amountOf(strengthNow(state, index, actor, target), 1, share);
  if (!isMoving[index]) means[at] = amount;
  return amount;
}

/** The share of an action that reaches somebody, for its element. Healing always does. */
export const shareReaching = ({ does, element }: PreparedAction, { takes }: PreparedFighter): number =>
  does === 'heal' || element === -1 ? 1 : (takes[element] ?? 1);

function strike(state: BoutState, actor: number, index: number, target: number): Struck {
  const { world, now } = state;
  const action = world.bout.actions[index] as PreparedAction;
  const { statistics } = world.fighters[target] as PreparedFighter;
  const own = now[target] as number[];
  const full = statistics[world.lost] ?? 0;
  const strength = strengthNow(state, index, actor, target);
  const hits = action.chance >= 1 || draw(state, actor) < action.chance;
  const spread = action.spread > 0 ? 1 + action.spread * (2 * draw(state, actor) - 1) : 1;
  const share = shareReaching(action, world.fighters[target] as PreparedFighter);
  const amount = hits ? amountOf(strength, spread, share) : 0;
  const before = leftOf(state, target);
  const left =
    action.does === 'harm' ? Math.max(0, before - amount) : Math.max(before, Math.min(full, before + amount));
  if (world.lost !== -1) own[world.lost] = left;
  return { target, strength, spread, share, hits, amount, left, falls: before > 0 && left <= 0 };
}

/** Whom an action strikes; where the one that was chosen has fallen, another of its side. */
function struckBy(state: BoutState, actor: number, action: PreparedAction, chosen: number): number[] {
  switch (action.strikes) {
    case 'itself':
      return [actor];
    case 'all':
      return standing(state, actor, 'other');
    case 'allies':
      return standing(state, actor, 'own');
    default: {
      const all = targetsOf(state, actor, action);
      if (all.includes(chosen)) return [chosen];
      return all.length === 0 ? [] : [all[Math.floor(draw(state, actor) * all.length)] as number];
    }
  }
}

function act(state: BoutState, actor: number, choice: Choice | null): Turn {
  const { world, round } = state;
  const use = choice && (world.fighters[actor] as PreparedFighter).uses[choice.use];
  // A choice from the start of the round may have become impossible.
  const isPossible = use && isUsable(state, actor, use);
  state.turns[actor] = (state.turns[actor] as number) + 1;
  if (!isPossible) return { round, actor, action: null, struck: [] };
  const action = world.bout.actions[use.action] as PreparedAction;
  const now = state.now[actor] as number[];
  const spent = state.spent[actor] as number[];
  for (const { statistic, amount } of action.costs) {
    now[statistic] = (now[statistic] as number) - amount;
    spent[statistic] = (spent[statistic] as number) + amount;
  }
  const struck = struckBy(state, actor, action, choice.target).map((target) =>
    strike(state, actor, use.action, target),
  );
  return { round, actor, action: use.action, struck };
}

/** Does anybody stand of those from one number up to another? */
function anyStands(state: BoutState, from: number, to: number): boolean {
  for (let i = from; i < to; i++) if (stands(state, i)) return true;
  return false;
}

/** Ends a bout in which one side has fallen: where both have, it is lost. */
export function settle(state: BoutState): void {
  const { ours, fighters } = state.world;
  if (!anyStands(state, 0, ours)) state.phase = 'lost';
  else if (!anyStands(state, ours, fighters.length)) state.phase = 'won';
}

/** Ends a bout that goes on for too long. */
function giveUp(state: BoutState): void {
  if (state.phase === 'playing' && state.round >= state.world.bout.mostRounds) state.phase = 'endless';
}

/** Returns the choice of a fighter; null for none. */
export type Choosing = (state: BoutState, fighter: number) => Choice | null;

/** The statistic by which a fighter acts sooner than others; 1 for all where there is none. */
export const swiftness = ({ world: { first }, now }: BoutState, fighter: number): number =>
  first === -1 ? 1 : Math.max(0, (now[fighter] as number[])[first] as number);

/** Those who stand, the swiftest first; of equally swift ones by a draw. */
function inOrder(state: BoutState): number[] {
  const { length } = state.world.fighters;
  const list: number[] = [];
  for (let i = 0; i < length; i++) if (stands(state, i)) list.push(i);
  const rank = (fighter: number): number => drawAt(state.seed, length + fighter, state.round);
  return list.sort((one, other) => swiftness(state, other) - swiftness(state, one) || rank(one) - rank(other));
}

/** A whole round: all choose, then act. */
function playRound(state: BoutState, choose: Choosing, note: ((turn: Turn) => void) | undefined): void {
  state.round++;
  const order = inOrder(state);
  const choices = order.map((fighter) => choose(state, fighter));
  for (let i = 0; i < order.length && state.phase === 'playing'; i++) {
    const actor = order[i] as number;
    if (!stands(state, actor)) continue;
    const turn = act(state, actor, choices[i] as Choice | null);
    note?.(turn);
    settle(state);
  }
  giveUp(state);
}

/** Whose gauge is full first, and how long that takes; -1 where nobody is swift enough to ever act. */
function nextByGauge(state: BoutState): { actor: number; soonest: number } {
  const { length } = state.world.fighters;
  let actor = -1;
  let soonest = Number.POSITIVE_INFINITY;
  for (let i = 0; i < length; i++) {
    if (!stands(state, i)) continue;
    const speed = swiftness(state, i);
    const wait = speed > 0 ? (1 - (state.gauges[i] as number)) / speed : Number.POSITIVE_INFINITY;
    if (wait < soonest) [actor, soonest] = [i, wait];
  }
  return { actor, soonest };
}

/** One act of whose gauge is full first. A round is one act of the swiftest. */
function playAct(state: BoutState, choose: Choosing, note: ((turn: Turn) => void) | undefined): void {
  const { length } = state.world.fighters;
  const { actor, soonest } = nextByGauge(state);
  if (actor === -1) {
    state.phase = 'endless';
    return;
  }
  for (let i = 0; i < length; i++)
    if (stands(state, i)) state.gauges[i] = Math.min(1, (state.gauges[i] as number) + soonest * swiftness(state, i));
  state.gauges[actor] = 0;
  state.round = Math.max(state.round, (state.turns[actor] as number) + 1);
  // Not inside the call: an absent note would leave its argument out, and nobody would ever act.
  const turn = act(state, actor, choose(state, actor));
  note?.(turn);
  settle(state);
  giveUp(state);
}

/** Goes on by a round, or by an act where gauges say whose turn it is. An ended bout stays as it is. */
export function goOn(state: BoutState, choose: Choosing, note?: (turn: Turn) => void): void {
  if (state.phase !== 'playing') return;
  if (state.world.bout.order === 'rounds') playRound(state, choose, note);
  else playAct(state, choose, note);
}

/** Those of ours who choose before the bout goes on: all who stand, or whose gauge is full next. */
export function askedNow(state: BoutState): number[] {
  const { world, phase } = state;
  if (phase !== 'playing') return [];
  if (world.bout.order === 'gauges') {
    const { actor } = nextByGauge(state);
    return actor >= 0 && isOurs(world, actor) ? [actor] : [];
  }
  const asked: number[] = [];
  for (let i = 0; i < world.ours; i++) if (stands(state, i)) asked.push(i);
  return asked;
}

/** Leaves, where that is allowed. */
export function withdraw(state: BoutState): void {
  if (state.phase === 'playing' && state.world.bout.mayWithdraw) state.phase = 'withdrawn';
}
