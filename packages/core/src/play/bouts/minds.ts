import type { Abilities } from '../../basics/abilities/index.ts';
import { makeStream, type Stream } from '../../basics/random/index.ts';
import {
  draw,
  expectedNow,
  healthShare,
  isOurs,
  leftOf,
  standing,
  stands,
  swiftness,
  targetsOf,
  usable,
  type BoutState,
  type Choice,
  type Choosing,
} from './bout.ts';
import type { PreparedAction, PreparedFighter, PreparedUse } from './prepared.ts';

/** Purpose of the stream by which a party errs; see makeStream. */
const ERRS = 7;
/** Chance of a random choice without any planning; with full planning it is 0. */
const MOST_CHANCE = 0.5;
/** An ally is healed below this share of its health, by somebody who plans nothing, and by so much sooner with planning. */
const HEALS_BELOW = 0.2;
const SOONER = 0.3;
/** From this share of planning on, two turns are thought ahead. */
const THINKS_AHEAD = 0.6;
const TURNS_AHEAD = 2;
/** Weight of harm that fells a fighter in this turn: a fallen fighter does no more harm. */
const FALLS = 2.5;

/** A party that may withdraw does so at this part of the share of health at which it heals. */
const LEAVES_BELOW = 0.5;

/** How a party chooses. */
export interface BoutMind {
  /** 0–1 */
  byChance: number;
  /** Share of health. */
  healsBelow: number;
  thinksAhead: boolean;
  stream: Stream;
}

/** The mind of a player of these abilities: only planning matters where nothing has to be hit in time. */
export const boutMind = ({ planning }: Pick<Abilities, 'planning'>, seed: number): BoutMind => ({
  byChance: MOST_CHANCE * (1 - planning) * (1 - planning),
  healsBelow: HEALS_BELOW + SOONER * planning,
  thinksAhead: planning >= THINKS_AHEAD,
  stream: makeStream(seed, ERRS),
});

const useOf = ({ world }: BoutState, fighter: number, index: number): PreparedUse =>
  (world.fighters[fighter] as PreparedFighter).uses[index] as PreparedUse;
const actionOf = (state: BoutState, fighter: number, index: number): PreparedAction =>
  state.world.bout.actions[useOf(state, fighter, index).action] as PreparedAction;

/** Enemies choose by weight among what they can do, and whom by chance; who heals, heals who needs it most. */
export const byWeight: Choosing = (state, fighter) => {
  const uses = usable(state, fighter);
  const total = uses.reduce((sum, index) => sum + useOf(state, fighter, index).weight, 0);
  if (total <= 0) return null;
  let at = draw(state, fighter) * total;
  let use = uses[uses.length - 1] as number;
  for (const index of uses) {
    at -= useOf(state, fighter, index).weight;
    if (at < 0) {
      use = index;
      break;
    }
  }
  const action = actionOf(state, fighter, use);
  const targets = targetsOf(state, fighter, action);
  if (targets.length === 0) return { use, target: -1 };
  if (action.does === 'heal') return { use, target: mostHurt(state, targets) };
  return { use, target: targets[Math.floor(draw(state, fighter) * targets.length)] as number };
};

const mostHurt = (state: BoutState, of: readonly number[]): number =>
  of.reduce((worst, each) => (healthShare(state, each) < healthShare(state, worst) ? each : worst), of[0] as number);

/** The harm of an enemy per round, on average over its actions and targets. Where gauges decide whose turn it is, swift ones act more often. */
function threatOf(state: BoutState, enemy: number): number {
  const uses = usable(state, enemy);
  const ours = standing(state, enemy, 'other');
  let total = 0;
  let sum = 0;
  for (const index of uses) {
    const { weight, action } = useOf(state, enemy, index);
    const { does, strikes } = state.world.bout.actions[action] as PreparedAction;
    total += weight;
    if (does !== 'harm' || ours.length === 0) continue;
    let harm = 0;
    for (const target of ours) harm += Math.min(leftOf(state, target), expectedNow(state, action, enemy, target));
    sum += weight * (strikes === 'all' ? harm : strikes === 'one' ? harm / ours.length : 0);
  }
  if (total <= 0) return 0;
  return (sum / total) * turnsPerRound(state, enemy);
}

/** The number of turns that a fighter has in a round: one, or by its swiftness where a round is a turn of the swiftest. */
function turnsPerRound(state: BoutState, fighter: number): number {
  if (state.world.bout.order === 'rounds') return 1;
  let most = 0;
  for (let i = 0; i < state.world.fighters.length; i++)
    if (stands(state, i)) most = Math.max(most, swiftness(state, i));
  return most > 0 ? swiftness(state, fighter) / most : 0;
}

/** Something that somebody can do now. */
export interface Option extends Choice {
  /** Index of the action in the bout. */
  index: number;
  action: PreparedAction;
  /** All whom it strikes. */
  struck: readonly number[];
}

/** Everything that somebody can do now. */
export function optionsOf(state: BoutState, fighter: number): Option[] {
  const options: Option[] = [];
  const own = standing(state, fighter, 'own');
  const other = standing(state, fighter, 'other');
  for (const use of usable(state, fighter)) {
    const { action: index } = useOf(state, fighter, use);
    const action = actionOf(state, fighter, use);
    const { strikes } = action;
    if (strikes === 'itself') options.push({ use, index, action, target: fighter, struck: [fighter] });
    else if (strikes === 'all' || strikes === 'allies')
      options.push({ use, index, action, target: -1, struck: strikes === 'all' ? other : own });
    else
      for (const target of strikes === 'one' ? other : own)
        options.push({ use, index, action, target, struck: [target] });
  }
  return options;
}

/** Returns the missing health that an option restores. */
function healed(state: BoutState, fighter: number, { index, struck }: Pick<Option, 'index' | 'struck'>): number {
  const { lost, fighters } = state.world;
  return struck.reduce((sum, target) => {
    const full = (fighters[target] as PreparedFighter).statistics[lost] ?? 0;
    const amount = expectedNow(state, index, fighter, target);
    return sum + Math.min(full - leftOf(state, target), amount);
  }, 0);
}

/**
 * The harm of an option, no more than remains, and more for targets that are nearer to their fall: whoever has fallen
 * strikes no more. Without that, a planning player would spare those who are nearly beaten, since little remains to
 * harm, and would win less often than somebody who strikes by chance.
 */
function harmToEnd(state: BoutState, fighter: number, { index, struck }: Option, planned: PlannedHarm): number {
  let sum = 0;
  for (const target of struck) {
    const has = leftOf(state, target) - planned.on(target);
    if (has <= 0) continue;
    const amount = expectedNow(state, index, fighter, target);
    sum += Math.min(has, amount) + amount * Math.min(1, amount / has);
  }
  return sum;
}

/** Returns the harm of an option, no more than the remaining health. */
function harmed(state: BoutState, fighter: number, { index, struck }: Option): number {
  let sum = 0;
  for (const target of struck) sum += Math.min(leftOf(state, target), expectedNow(state, index, fighter, target));
  return sum;
}

/** The most harm that somebody does in one turn. */
const best = (state: BoutState, fighter: number): number =>
  optionsOf(state, fighter).reduce(
    (most, option) => (option.action.does === 'harm' ? Math.max(most, harmed(state, fighter, option)) : most),
    0,
  );

/** Chooses the most harm per turn. Heals first when an ally falls below the player's limit. */
function byHarm(
  state: BoutState,
  fighter: number,
  options: readonly Option[],
  { healsBelow }: BoutMind,
  planned: PlannedHarm,
): Option {
  const worn = standing(state, fighter, 'own').some((ally) => healthShare(state, ally) < healsBelow);
  const value = (option: Option): number => {
    if (option.action.does === 'harm') return harmToEnd(state, fighter, option, planned);
    const helps = worn && option.struck.some((target) => healthShare(state, target) < healsBelow);
    return helps ? 1e6 + healed(state, fighter, option) : -1;
  };
  return highest(options, value);
}

/**
 * Two turns ahead: harm by the threat that it takes away, healing by what those would still do who would fall within two
 * turns; each as a share of what the side it hurts has left.
 */
function byThreat(
  state: BoutState,
  fighter: number,
  options: readonly Option[],
  threats: ReadonlyMap<number, number>,
  planned: PlannedHarm,
): Option {
  const ours = standing(state, fighter, 'own');
  const theirs = standing(state, fighter, 'other');
  const sum = (of: readonly number[]): number => of.reduce((all, each) => all + leftOf(state, each), 0) || 1;
  const [ourHealth, theirHealth] = [sum(ours), sum(theirs)];
  const incoming = [...threats.values()].reduce((all, threat) => all + threat, 0) / Math.max(1, ours.length);
  const value = (option: Option): number => {
    const { action, struck, index } = option;
    let worth = 0;
    for (const target of struck) {
      const has = leftOf(state, target) - (action.does === 'harm' ? planned.on(target) : 0);
      const amount = expectedNow(state, index, fighter, target);
      if (action.does === 'harm') {
        if (has <= 0) continue;
        const part = Math.min(1, amount / has);
        const threat = (threats.get(target) ?? 0) / ourHealth;
        // A turn of healing that buys less than a turn is not worth the turn of harm that it costs.
        worth += threat * (part >= 1 ? FALLS : part) + Math.min(amount, has) / theirHealth;
      } else if (has <= TURNS_AHEAD * incoming) {
        const useful = healed(state, fighter, { index, struck: [target] });
        worth += (best(state, target) / theirHealth) * Math.min(FALLS, useful / Math.max(1, incoming));
      }
    }
    return worth;
  };
  return highest(options, value);
}

function highest(options: readonly Option[], value: (option: Option) => number): Option {
  let chosen = options[0] as Option;
  let most = Number.NEGATIVE_INFINITY;
  for (const option of options) {
    const worth = value(option);
    if (worth > most) [chosen, most] = [option, worth];
  }
  return chosen;
}

/** Returns a function for the harm that every enemy of a fighter does in a turn; computed once for all choices before the next action. */
function threatsKeeper(): (state: BoutState, fighter: number) => ReadonlyMap<number, number> {
  let known: { state: BoutState; acts: number; threats: ReadonlyMap<number, number> } | undefined;
  return (state, fighter) => {
    const acts = actsOf(state);
    if (known?.state !== state || known.acts !== acts) {
      const theirs = standing(state, fighter, 'other');
      known = { state, acts, threats: new Map(theirs.map((enemy) => [enemy, threatOf(state, enemy)])) };
    }
    return known.threats;
  };
}

/** The harm that allies have already chosen to do in this round: whoever plays the party knows all its choices. */
interface PlannedHarm {
  on(target: number): number;
}

/** Keeps the planned harm of one round; once anybody has acted, it begins again. */
function plannedKeeper(): {
  now(state: BoutState): PlannedHarm;
  note(state: BoutState, fighter: number, option: Option): void;
} {
  let known: { state: BoutState; acts: number } | undefined;
  const harm = new Map<number, number>();
  const planned: PlannedHarm = { on: (target) => harm.get(target) ?? 0 };
  return {
    now(state) {
      const acts = actsOf(state);
      if (known?.state !== state || known.acts !== acts) {
        known = { state, acts };
        harm.clear();
      }
      return planned;
    },
    note(state, fighter, { action, index, struck }) {
      if (action.does !== 'harm') return;
      for (const target of struck) harm.set(target, planned.on(target) + expectedNow(state, index, fighter, target));
    },
  };
}

/** The number of turns that all fighters have had. */
const actsOf = ({ turns }: BoutState): number => turns.reduce((sum, each) => sum + each, 0);

/** Returns the choices of a party of one player; enemies choose by weight. */
export function choosing(mind: BoutMind): Choosing {
  const threatsNow = threatsKeeper();
  const planned = plannedKeeper();
  return (state, fighter) => {
    if (!isOurs(state.world, fighter)) return byWeight(state, fighter);
    const options = optionsOf(state, fighter);
    if (options.length === 0) return null;
    const known = planned.now(state);
    const option =
      mind.byChance > 0 && mind.stream.next() < mind.byChance
        ? (options[Math.floor(mind.stream.next() * options.length)] as Option)
        : mind.thinksAhead
          ? byThreat(state, fighter, options, threatsNow(state, fighter), known)
          : byHarm(state, fighter, options, mind, known);
    planned.note(state, fighter, option);
    return { use: option.use, target: option.target };
  };
}

/** Would a party rather leave: worn down, and more than those it meets? */
export function wouldLeave(state: BoutState, { healsBelow }: BoutMind): boolean {
  const { world } = state;
  if (!world.bout.mayWithdraw) return false;
  const { length } = world.fighters;
  const mean = (from: number, to: number): number => {
    let sum = 0;
    for (let i = from; i < to; i++) sum += healthShare(state, i);
    return sum / Math.max(1, to - from);
  };
  const ours = mean(0, world.ours);
  return ours <= healsBelow * LEAVES_BELOW && ours < mean(world.ours, length);
}
