import {
  boutInHand,
  harmOf,
  healthShare,
  isOurs,
  leftOf,
  makeBoutWorld,
  meetNow,
  standingNow,
  stands,
  startBout,
  startBoutAnew,
  startOnWay,
  type PreparedBout,
  type PreparedFighter,
  type Turn,
} from '@stadion/core/play/bouts';
import type { HandedBouts, HandedFighter, HandedSlot } from '@stadion/core/exchange/formats';
import { checked } from './checked.ts';
import { sequenceOf } from './sequence.ts';
import type { Fight, Fights, FightTurn, MeetingsOnWay, WhoFights } from './fightTypes.ts';
import type { Readings } from './types.ts';

function fighterOf(
  { statistics, elements, actions }: HandedBouts,
  { id, name, uses, takes, statistics: own }: HandedFighter,
): PreparedFighter {
  const order = Object.keys(actions);
  return {
    ...{ id, name },
    statistics: statistics.map(({ key }) => own[key] ?? 0),
    takes: elements.map((element) => takes[element] ?? 1),
    uses: Object.entries(uses).map(([action, { weight, belowHealth = 1, aboveHealth = -1, everyTurns = 1 }]) => ({
      ...{ action: order.indexOf(action), weight, below: belowHealth, above: aboveHealth, everyTurns },
    })),
  };
}

function boutOf(bouts: HandedBouts, slot: HandedSlot, { ours, theirs }: WhoFights, levels: number): PreparedBout {
  const places = new Map(bouts.statistics.map(({ key }, index) => [key, index]));
  const side = (list: readonly unknown[]): PreparedFighter[] =>
    list.map((each) => fighterOf(bouts, each as HandedFighter));
  return {
    ...{ order: bouts.order, statistics: bouts.statistics, mostRounds: bouts.mostRounds, mayWithdraw: false },
    actions: Object.entries(bouts.actions).map(([id, { element, costs, formula, ...rest }]) => ({
      ...{ id, ...rest, formula: (formula ?? null) as PreparedBout['actions'][number]['formula'] },
      element: element === undefined ? -1 : bouts.elements.indexOf(element),
      costs: Object.entries(costs).map(([key, amount]) => ({ statistic: places.get(key) ?? -1, amount })),
    })),
    ...{ ours: side(ours), theirs: side(theirs), values: slot.values, level: slot.position, levels },
  };
}

/** Somebody of the party at a level, for a fight on the way. */
function memberAt({ party }: HandedBouts, id: string, level: number): HandedFighter {
  const kind = party[id];
  if (!kind) throw new RangeError(`Nobody of the party is called “${id}”.`);
  const at = Math.min(99, Math.max(1, Math.round(level))) - 1;
  const statistics = Object.entries(kind.statistics).map(([key, values]) => [key, values[at] ?? 0]);
  return { ...{ id, name: kind.name, uses: kind.uses, takes: kind.takes }, statistics: Object.fromEntries(statistics) };
}

const turnOf = ({ round, actor, action, struck }: Turn, actions: readonly { id: string }[]): FightTurn => ({
  ...{ round, actor, action: action === null ? null : (actions[action]?.id ?? null) },
  struck: struck.map(({ target, hits, amount, left, falls }) => ({ target, hits, amount, left, falls })),
});

/** A fight by turns: harm, odds and order as Stadion works them out, by the same code. */
function startFight(bouts: HandedBouts, slot: HandedSlot, who: WhoFights, levels: number, seed: number): Fight {
  const world = makeBoutWorld(boutOf(bouts, slot, who, levels));
  const { fighters, bout } = world;
  const kinds = [...new Set(fighters.map(({ id }) => id))];
  const places = fighters.map(({ id }) => kinds.indexOf(id));
  let state = startBout(world, seed);
  let hand = boutInHand(state);
  let [anew, roundsBefore] = [0, 0];
  const told = (turns: readonly Turn[]): FightTurn[] => turns.map((turn) => turnOf(turn, bout.actions));
  return {
    opening: told(hand.opening),
    get phase() {
      return state.phase;
    },
    get fighters() {
      return fighters.map(({ id, name }, index) => ({
        ...{ id, name, ours: isOurs(world, index), left: leftOf(state, index) },
        ...{ share: healthShare(state, index), stands: stands(state, index) },
      }));
    },
    get asks() {
      if (!hand.asks) return null;
      const { fighter, options } = hand.asks;
      return {
        fighter,
        options: options.map(({ action, target }) => ({ action: action.id, name: action.name, target })),
      };
    },
    choose(option) {
      if (!hand.asks) return [];
      const { use, target } = hand.asks.options[option] ?? {};
      if (use === undefined || target === undefined) throw new RangeError(`There is no option ${option}.`);
      return told(hand.choose({ use, target }));
    },
    harm(actor, action, target) {
      const index = bout.actions.findIndex(({ id }) => id === action);
      if (index < 0) throw new RangeError(`There is no action “${action}”.`);
      const { least, mean, most, hits } = harmOf(state, actor, index, target);
      return { least, mean, most, hits };
    },
    again() {
      roundsBefore += state.round;
      state = startBoutAnew(world, seed, ++anew);
      hand = boutInHand(state);
      return told(hand.opening);
    },
    secondsOf: (turns) => turns.length * bouts.turnSeconds,
    get readings(): Readings {
      const { fallen, beaten, health, shares } = standingNow(state, places, kinds.length);
      const theirs = fighters.length - world.ours;
      return {
        ...{ rounds: roundsBefore + state.round, fallen, health },
        ...{ 'sideBeaten.ours': fallen === world.ours, 'sideBeaten.theirs': beaten === theirs },
        ...{ 'enemiesLeft.any': theirs - beaten, 'enemiesBeaten.any': beaten },
        ...Object.fromEntries(kinds.map((id, place) => [`healthShare.${id}`, shares[place] ?? 0])),
      };
    },
  };
}

/** Where on the way through a slot somebody is met: as Stadion draws it, by the same code. */
function meetingsOf({ meetings }: HandedSlot, seed: number): MeetingsOnWay {
  const { many = 0, every = null, zones = [], groups = {} } = meetings ?? {};
  const met = Object.entries(groups);
  const place = { many, every, zones: zones.map((_, index) => index), shares: met.map(([, { share }]) => share) };
  const way = startOnWay(seed);
  return {
    meet(readings) {
      const inside = zones.map((zone) => Number(readings[`inside.${zone}`] ?? 0));
      const now = meetNow(place, way, { distance: Number(readings['distance'] ?? 0), inside });
      const [id, group] = (now && met[now.group]) ?? [];
      return now && id !== undefined && group
        ? { group: id, name: group.name, theirs: group.theirs, seed: now.seed }
        : null;
    },
  };
}

/**
 * Opens the fights of a hand-off.
 *
 * @param json the file's text or what it holds
 * @throws HandOffError where it is none, or of a version that this runtime does not read
 * @throws RangeError where the game has no fights
 */
export function openFights(json: unknown): Fights {
  const handOff = checked(json);
  const { bouts } = handOff;
  if (!bouts) throw new RangeError('This game has no fights.');
  const { slots, at } = sequenceOf(handOff);
  const nowhere = (position: number): string => `The sequence has no position ${position}: it has ${slots.length}.`;
  return {
    fight(position, seed, who) {
      const slot = at(position);
      if (!slot) throw new RangeError(nowhere(position));
      const fighting = who ?? slot.bout;
      if (!fighting) throw new RangeError(`Nobody is fought at position ${position}.`);
      return startFight(bouts, slot, fighting, slots.length, seed);
    },
    member: (id, level) => memberAt(bouts, id, level),
    meetings(position, seed) {
      const slot = at(position);
      if (!slot) throw new RangeError(nowhere(position));
      return meetingsOf(slot, seed);
    },
  };
}

export type * from './fightTypes.ts';
export { HandOffError } from './checked.ts';
