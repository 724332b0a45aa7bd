import type { AttemptState } from '../../../../play/attempt/index.ts';
import { JUMP, RUN_ON, SLIDE } from '../../../../play/movement/index.ts';
import type { Player } from '../../driver.ts';
import { pendingNeeds } from '../../goals/index.ts';
import { TICKS_BETWEEN_DECISIONS } from '../../player.ts';
import {
  anythingMoves,
  beginPresses,
  canGoOn,
  imagine,
  imagineFromThere,
  lookFrom,
  nearestPiece,
  runOnTo,
  standsAtStart,
} from './imagined.ts';
import { HOLDS, inputAt, NOTHING, type Plan } from './plan.ts';

/** Memory of a player on a run between decisions. */
export interface RunMemory {
  /** The next plan, or the one in progress. */
  plan: Plan;
  /** When it really presses and lets go: off by its timing error, which it does not know beforehand. */
  really: Plan;
  /** Where the piece lies that it has looked for a way to already, units. */
  lookedAt: number;
  /** Up to this tick it has seen that nothing hurts, where nothing moves. */
  safeUntil: number;
  /** Up to this tick it has seen that no press is needed yet, where nothing moves. */
  waitUntil: number;
}

export const startMemory = (): RunMemory => ({
  plan: { ...NOTHING },
  really: { ...NOTHING },
  lookedAt: -1,
  safeUntil: -1,
  waitUntil: -1,
});

/** Horizon of the look ahead: at least, at most, and per second of foresight. Ticks. */
const SHORTEST_TICKS = 66;
const LONGEST_TICKS = 96;
const TICKS_PER_FORESIGHT = 60;
/** A plan that is known to go well for this time is not checked again yet. Ticks. */
const SEEN_ENOUGH = 48;
/** Step and limit of the times at which presses are tried, ticks. */
const PRESS_STEP = 3;
const LATEST_PRESS = 42;
/** A plan is made once what hurts is so near. Ticks. */
const DUE_TICKS = 50;
/** Plans that end in harm count as equal within this time of the longest one. Ticks. */
const AS_LONG = 4;
/** Value of one more piece, in ticks of a wider window. */
const PIECE = 6;
/** Share of its reaction by which a player misjudges a press, as a deviation. */
const TIMING_ERROR_SHARE = 0.14;
/** Distance kept from moving things: at least, and per unit of caution. Units. */
const CLEARANCE = 0.03;
const CLEARANCE_PER_CAUTION = 0.08;

/** Plans that may follow a plan, counted from the landing. */
const THENS: readonly Plan[] = [
  NOTHING,
  { does: JUMP, from: 0, until: 30 },
  { does: JUMP, from: 8, until: 38 },
  { does: JUMP, from: 0, until: 10 },
  { does: SLIDE, from: 0, until: 40 },
  { does: SLIDE, from: 8, until: 48 },
];
const THEN_TICKS = 34;

const tried: Plan = { ...NOTHING };
const chosen: Plan = { ...NOTHING };

/** How every press goes: ticks it lasts and pieces gathered, by hold and by how late it is. Scratch of the decision at hand. */
const PRESSES = Math.floor(LATEST_PRESS / PRESS_STEP) + 1;
const lasts = new Float64Array(HOLDS.length * PRESSES);
const gathers = new Float64Array(HOLDS.length * PRESSES);

function setPlan(plan: Plan, hold: number, press: number, now: number): void {
  const [does, ticks] = HOLDS[hold] as (typeof HOLDS)[number];
  plan.does = does;
  plan.from = now + press * PRESS_STEP;
  plan.until = plan.from + ticks;
}

/** The longest slide, and for how long it is held. Ticks. */
const LONGEST_SLIDE = HOLDS.length - 1;
const LONGEST_SLIDE_TICKS = HOLDS[LONGEST_SLIDE]![1];

/** May a slide get further, or gather more, than to run on? One that begins at once and lasts long enough shows it. */
function slidesHelp(state: AttemptState, from: number, horizon: number, clearance: number, alone: Goes): boolean {
  if (alone.lasts > LONGEST_SLIDE_TICKS) return true;
  setPlan(tried, LONGEST_SLIDE, 0, state.tick + from);
  const { lasts: slides, gathers: gets } = imagine(state, tried, from, horizon, clearance);
  return slides > alone.lasts || gets > alone.gathers;
}

/** How running on goes. */
interface Goes {
  /** Ticks without being hurt. */
  lasts: number;
  gathers: number;
}

/** Tries every press that comes before it would be too late. Returns the longest that any lasts. */
function tryAll(
  state: AttemptState,
  from: number,
  horizon: number,
  clearance: number,
  latest: number,
  alone: Goes,
): number {
  const now = state.tick + from;
  const withSlides = slidesHelp(state, from, horizon, clearance, alone);
  let longest = 0;
  lasts.fill(-1);
  beginPresses();
  for (let press = 0; press < PRESSES && press * PRESS_STEP <= latest; press++) {
    if (!runOnTo(state, from, press * PRESS_STEP, clearance)) break;
    for (let hold = 0; hold < HOLDS.length; hold++) {
      if (HOLDS[hold]![0] === SLIDE && !withSlides) continue;
      const at = hold * PRESSES + press;
      setPlan(tried, hold, press, now);
      const outcome = imagineFromThere(state, tried, from, horizon, clearance);
      lasts[at] = outcome.lasts;
      gathers[at] = outcome.gathers;
      if (outcome.lasts > longest) longest = outcome.lasts;
    }
  }
  return longest;
}

/** Windows of presses that go well, the best first: hold, press in the middle, worth. */
interface Window {
  hold: number;
  press: number;
  worth: number;
  /** Ticks until it begins, where it goes on beyond the last press that was tried and there is time to look again; else 0. */
  waits: number;
}

/** The windows among the presses tried. @param enough ticks that a press has to last */
function windows(enough: number): Window[] {
  const found: Window[] = [];
  for (let hold = 0; hold < HOLDS.length; hold++) {
    let first = -1;
    for (let press = 0; press <= PRESSES; press++) {
      const at = hold * PRESSES + press;
      const fits = press < PRESSES && (lasts[at] as number) >= enough;
      const same = first >= 0 && fits && gathers[at] === gathers[hold * PRESSES + first];
      if (first >= 0 && !same) {
        const middle = Math.floor((first + press - 1) / 2);
        // A window wider than a second is no safer than one of half of that.
        const width = Math.min(12, press - first);
        const begins = first * PRESS_STEP;
        found.push({
          hold,
          press: middle,
          waits: press === PRESSES && begins >= WAITS_FROM ? begins : 0,
          worth: width + PIECE * (gathers[hold * PRESSES + middle] as number),
        });
        first = -1;
      }
      if (first < 0 && fits) first = press;
    }
  }
  return found.toSorted((one, other) => other.worth - one.worth);
}

/** A window that begins so late can be looked at again at the next decision. Ticks. */
const WAITS_FROM = 2 * TICKS_BETWEEN_DECISIONS;

/** Limit of the windows whose continuation is examined. */
const MOST_LOOKED_ON = 8;

/** Scratch: ticks until the window begins that the last search found and left for later; 0 for none. */
let waits = 0;

/** Makes a plan that goes well, or else the one that lasts longest. @param latest press that still helps, ticks @param atLeast pieces it has to gather */
function makePlan(
  state: AttemptState,
  from: number,
  horizon: number,
  clearance: number,
  latest: number,
  alone: Goes,
  atLeast: number,
): boolean {
  const now = state.tick + from;
  const longest = tryAll(state, from, horizon, clearance, latest, alone);
  const found = windows(longest >= horizon ? horizon : longest - AS_LONG).filter(
    ({ hold, press }) => (gathers[hold * PRESSES + press] as number) >= atLeast,
  );
  // Not all of it is seen yet: its middle will be.
  waits = found[0]?.waits ?? 0;
  if (waits > 0) return false;
  for (const { hold, press } of found.slice(0, MOST_LOOKED_ON)) {
    setPlan(chosen, hold, press, now);
    if (canGoOn(state, chosen, from, THENS, THEN_TICKS)) return true;
  }
  const [best] = found;
  if (!best || atLeast > 0) return false;
  setPlan(chosen, best.hold, best.press, now);
  return true;
}

/** Scratch: how running on goes at the decision at hand. */
const alone: Goes = { lasts: 0, gathers: 0 };

/** Returns the next input of a player of these abilities, an index into the actions of the kind of ground. */
export function chooseInput(player: Player, state: AttemptState, memory: RunMemory): number {
  const { abilities, needs, stream } = player;
  // Drawn at every decision, so that what is decided never changes what is drawn later.
  const pressError = stream.nextBell();
  const holdError = stream.nextBell();
  pendingNeeds(state, needs);
  player.fires = needs.anythingToBeat && state.world.level.motion.player.shooting !== null;
  lookFrom(player, state, needs);
  const from = player.reaction.ticks;
  const now = state.tick + from;
  const foresight = Math.round(abilities.foresightSeconds * TICKS_PER_FORESIGHT);
  const horizon = Math.min(LONGEST_TICKS, Math.max(SHORTEST_TICKS, foresight));
  const clearance = CLEARANCE + abilities.cautionUnits * CLEARANCE_PER_CAUTION;
  const { plan, really } = memory;
  // An error shows when the press is made: from then on the plan is what is really done.
  if (now > really.from && plan.from !== really.from) plan.from = really.from;
  const isOver = now >= Math.max(plan.until, really.until);
  const piece = isOver && standsAtStart() ? nearestPiece() : -1;
  const isNew = piece >= 0 && piece !== memory.lookedAt;
  // A plan that was seen to go well stays good while nothing moves.
  const isSeen = memory.safeUntil - now >= SEEN_ENOUGH || (isOver && memory.waitUntil > now);
  if (!isNew && isSeen && !anythingMoves()) return inputOf(player, really, now);
  const { lasts: goes, gathers: gets } = imagine(state, isOver ? NOTHING : plan, from, horizon, clearance);
  memory.safeUntil = goes < horizon ? -1 : now + goes;
  const pressed = !isOver && now > really.from;
  if (isNew) memory.lookedAt = piece;
  // Distant obstacles can wait: all presses that clear them are visible from nearer.
  const isDue = goes < (isOver ? Math.min(horizon, DUE_TICKS) : horizon);
  if (isDue || (isNew && gets === 0 && goes >= horizon)) {
    if (isOver) {
      alone.lasts = goes;
      alone.gathers = gets;
    } else {
      const outcome = imagine(state, NOTHING, from, horizon, clearance);
      alone.lasts = outcome.lasts;
      alone.gathers = outcome.gathers;
    }
    const wants = goes >= horizon;
    // A plan in progress is replaced only by one that lasts longer.
    if (
      makePlan(
        state,
        from,
        horizon,
        clearance,
        wants ? LATEST_PRESS : Math.min(LATEST_PRESS, alone.lasts),
        alone,
        wants ? gets + 1 : 0,
      )
    ) {
      const better = wants || isOver || imagine(state, chosen, from, horizon, clearance).lasts > goes + AS_LONG;
      if (better) {
        Object.assign(plan, chosen);
        memory.safeUntil = -1;
        const error = player.reaction.ticks * TIMING_ERROR_SHARE;
        really.does = plan.does;
        really.from = Math.max(now, Math.round(plan.from + pressError * error));
        really.until = Math.max(
          really.from + 1,
          Math.round(plan.until + (really.from - plan.from) + holdError * error),
        );
      }
    } else if (pressed && alone.lasts > goes) {
      // Nothing better than to let go.
      Object.assign(plan, NOTHING);
      Object.assign(really, NOTHING);
    }
    if (waits > 0) memory.waitUntil = now + waits - TICKS_BETWEEN_DECISIONS;
  }
  return inputOf(player, really, now);
}

/** Returns the input from this decision on; where it changes before the next decision, it begins that much later. */
function inputOf(player: Player, really: Plan, now: number): number {
  const last = now + TICKS_BETWEEN_DECISIONS - 1;
  const atFirst = inputAt(really, now);
  const atLast = inputAt(really, last);
  if (atFirst === atLast) return atFirst;
  const changes = atLast === RUN_ON ? really.until : really.from;
  player.late = Math.min(TICKS_BETWEEN_DECISIONS - 1, Math.max(0, changes - now));
  return atLast;
}

/** Half a second of the same: does it hurt? */
const LOOKED_AT_TICKS = 30;

/** Is a player who goes on doing this about to be hurt? */
export function willBeHurt(player: Player, state: AttemptState, input: number): boolean {
  lookFrom(player, state, player.needs);
  tried.does = input as Plan['does'];
  tried.from = 0;
  tried.until = Number.POSITIVE_INFINITY;
  return imagine(state, tried, player.reaction.ticks, LOOKED_AT_TICKS, 0).lasts < LOOKED_AT_TICKS;
}
