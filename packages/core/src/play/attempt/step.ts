import { endTick, judgeTick, tickClock, type Expiry } from '../rules/index.ts';
import { applyMilestones } from './effects.ts';
import { followRamps } from './dials.ts';
import { FIRE, REST } from './input.ts';
import { SORTS } from './pieces/index.ts';
import type { AttemptState, PieceSort } from './types.ts';
import { moveShots, playerShoots, shotsMeetPlayer } from './shots.ts';

type Act = (state: AttemptState) => void;

/** The acts of one moment, of all sorts of pieces that have any. */
const actsOf = (moment: 'tick' | 'move' | 'settle' | 'contact' | 'touch' | 'forget'): readonly Act[] =>
  SORTS.flatMap((sort: PieceSort) => sort[moment]?.bind(sort) ?? []);

const TICK = actsOf('tick');
const MOVE = actsOf('move');
const SETTLE = actsOf('settle');
const CONTACT = actsOf('contact');
const TOUCH = actsOf('touch');
const FORGET = actsOf('forget');

function all(acts: readonly Act[], state: AttemptState): void {
  for (let i = 0; i < acts.length; i++) (acts[i] as Act)(state);
}

/** Limit of the happenings that are kept of one attempt. */
const MOST_HAPPENINGS = 8000;

/** Everything that meets the player at this tick, and where it is. */
function makeContacts(state: AttemptState): void {
  all(CONTACT, state);
  const { touching } = state.observed;
  for (let i = 0; i < touching.length; i++) touching[i] = 0;
  if (state.graceTicks > 0) {
    state.graceTicks--;
    all(FORGET, state);
  } else {
    all(TOUCH, state);
    shotsMeetPlayer(state);
  }
  state.world.kind.observe(state, state.own);
}

/** Runs the clock by one tick. Returns what happens once the limit is reached; null before. */
function runClock(state: AttemptState): Expiry | null {
  const { clock, observed, world } = state;
  const { warned } = clock;
  const expiry = tickClock(observed, clock, world.level.judging);
  if (clock.warned && !warned) state.happenings.push({ tick: state.tick, what: 'warned' });
  return expiry;
}

function startClock(state: AttemptState): void {
  state.clock.runs = true;
  state.happenings.push({ tick: state.tick, what: 'clock started' });
}

/**
 * One tick: movement and sending, contacts, readings, clock, ramps along readings, all conditions on the same readings, milestones, ending.
 * An ended attempt is absorbing: a further step changes nothing.
 *
 * @param input index into the actions of the kind of ground, with FIRE added to shoot
 */
export function step(state: AttemptState, input: number): void {
  if (state.phase !== 'playing') return;
  const { verdicts, world, clock } = state;
  state.tick++;
  // Rules may tell thousands of things: the oldest are let go, in one piece.
  if (state.happenings.length > MOST_HAPPENINGS) state.happenings.splice(0, MOST_HAPPENINGS / 2);
  if (!clock.runs && input !== REST && world.level.judging.clockStarts === 'firstMove') startClock(state);
  world.kind.moveBody(world, state.view, state.body, state.own, input % FIRE);
  world.kind.layAhead?.(state, state.own);
  if (state.shots.length > 0) playerShoots(state, input >= FIRE);
  all(TICK, state);
  all(MOVE, state);
  moveShots(state);
  all(SETTLE, state);
  makeContacts(state);
  const expiry = runClock(state);
  if (state.followed.length > 0) followRamps(state);
  judgeTick(world.judge, state.observed, verdicts);
  const starts = world.judge.clockStart;
  if (starts && !clock.runs && verdicts.truth[starts.index] === true) startClock(state);
  applyMilestones(state);
  endTick(world.judge, state.observed, verdicts, expiry);
  if (!verdicts.ended) return;
  state.phase = verdicts.ending.result;
  const { x, y } = state.body;
  state.happenings.push({ tick: state.tick, what: state.phase, rule: verdicts.ending.rule, x, y });
}
