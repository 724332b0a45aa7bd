import {
  changeDial,
  count,
  endTick,
  followReadings,
  judgeTick,
  startClock,
  startFollowed,
  startVerdicts,
  takeLives,
  tickClock,
  turnJudge,
  type ClockState,
  type FollowedRamp,
  type Observed,
  type ResolvedEffect,
  type Verdicts,
} from '../rules/index.ts';
import {
  goOn,
  leftOf,
  settle,
  stands,
  startBout,
  startBoutAnew,
  type BoutState,
  type Choosing,
  type Turn,
} from './bout.ts';
import { observeBout, startObservedBout, type BoutLevelWorld } from './level.ts';

/** Limit of the new beginnings of a bout: rules that always put the party back would never let it end. */
const MOST_ANEW = 100;

/** An attempt at a level that is decided by a bout. */
export interface BoutAttempt {
  world: BoutLevelWorld;
  seed: number;
  /** Undecided: the bout is over, or has begun again too often, and no rule has ended the level. */
  phase: 'playing' | 'won' | 'lost' | 'undecided';
  bout: BoutState;
  /** Number of new beginnings of the bout, and the rounds before the present one. */
  anew: number;
  roundsBefore: number;
  /** On which the level has been judged. */
  ticks: number;
  clock: ClockState;
  observed: Observed;
  verdicts: Verdicts;
  dials: number[];
  followed: FollowedRamp[];
  /** Index of the rule that took the last life, -2 if none was lost. */
  lastLifeRule: number;
  /** Effects that acted: index of the rule, index of the effect, and the round. */
  told: { rule: number; effect: number; round: number }[];
}

/** The state that an attempt begins with, beside the seed. All parts are optional. */
export interface BoutStart {
  lives?: number;
  /** Points. */
  score?: number;
  tries?: number;
  /** Own tallies, by index. */
  tallies?: Readonly<Record<number, number>>;
  /** Share of health that the party comes with. */
  health?: number;
}

/** A new attempt, before its first turn. The same world, seed and choices give the same attempt, bit for bit. */
export function startBoutAttempt(world: BoutLevelWorld, seed: number, from: BoutStart = {}): BoutAttempt {
  const { judging, dials, liveRamps } = world.level;
  const bout = startBout(world.bout, seed, from.health);
  const observed = startObservedBout(world, bout);
  if (from.lives !== undefined) observed.lives = from.lives;
  if (from.tries !== undefined) observed.tries = from.tries;
  observed.bonus = from.score ?? 0;
  for (const [tally, value] of Object.entries(from.tallies ?? {}))
    if (observed.tallies[Number(tally)] !== undefined) observed.tallies[Number(tally)] = value;
  return {
    ...{ world, seed, phase: 'playing', bout, anew: 0, roundsBefore: 0, ticks: 0 },
    ...{ clock: startClock(judging), observed, verdicts: startVerdicts(world.judge) },
    ...{ dials: [...dials], followed: startFollowed(liveRamps), lastLifeRule: -2, told: [] },
  };
}

/** Begins the fight again, with other draws. */
function startAgain(state: BoutAttempt): void {
  state.roundsBefore += state.bout.round;
  state.bout = startBoutAnew(state.world.bout, state.seed, ++state.anew);
}

/** Heals or hurts everybody of the party who stands. */
function changeHealth(bout: BoutState, by: number): void {
  const { ours, lost, fighters } = bout.world;
  for (let i = 0; i < ours && lost !== -1; i++) {
    if (!stands(bout, i)) continue;
    const full = fighters[i]?.statistics[lost] ?? 0;
    (bout.now[i] as number[])[lost] = Math.max(0, Math.min(full, leftOf(bout, i) + by));
  }
  settle(bout);
}

type Milestone = Exclude<ResolvedEffect, { effect: 'win' | 'lose' }>;

/** @returns has it done anything? What acts on a ground does nothing in a bout */
function apply(state: BoutAttempt, effect: Milestone, rule: number): boolean {
  const { observed, world, dials, followed, verdicts, bout } = state;
  const { judging, liveRamps } = world.level;
  switch (effect.effect) {
    case 'loseLife':
      if (!takeLives(observed, effect.lives)) return false;
      state.lastLifeRule = rule;
      if (effect.resets.includes('score')) observed.bonus = 0;
      if (effect.resets.includes('clock')) [observed.clockTicks, state.clock.warned] = [0, false];
      for (const tally of effect.tallies) observed.tallies[tally] = judging.tallies[tally] as number;
      startAgain(state);
      return true;
    case 'back':
      startAgain(state);
      return true;
    case 'score':
    case 'tally':
      return count(observed, effect, 0);
    case 'heal':
    case 'hurt':
      changeHealth(bout, effect.effect === 'heal' ? effect.by : -effect.by);
      return true;
    case 'parameter':
      if (!changeDial(dials, liveRamps, followed, effect)) return false;
      turnJudge(world.judge, verdicts, observed, judging, dials);
      return true;
    case 'message':
    case 'cue':
      return true;
    case 'gate':
    case 'wave':
    case 'reveal':
      return false;
    default:
      return effect satisfies never;
  }
}

function applyDue(state: BoutAttempt): void {
  const { verdicts, world, told } = state;
  for (let i = 0; i < verdicts.dueCount; i++) {
    const rule = verdicts.due[i] as number;
    (world.level.judging.rules[rule]?.then ?? []).forEach((effect, at) => {
      if (effect.effect === 'win' || effect.effect === 'lose') return;
      if (apply(state, effect, rule)) told.push({ rule, effect: at, round: state.observed.rounds });
    });
  }
  observeBout(world, state.observed, state.bout, state.roundsBefore);
}

/** Judges one tick. @param expired what a clock that has run out means; null before */
function judge(state: BoutAttempt, expired: 'won' | 'lost' | 'grade' | null): void {
  const { world, observed, verdicts, dials, followed, clock } = state;
  const { judging, liveRamps } = world.level;
  if (followReadings(dials, liveRamps, followed, observed)) turnJudge(world.judge, verdicts, observed, judging, dials);
  judgeTick(world.judge, observed, verdicts);
  const starts = world.judge.clockStart;
  if (starts && verdicts.truth[starts.index] === true) clock.runs = true;
  if (verdicts.dueCount > 0) applyDue(state);
  endTick(world.judge, observed, verdicts, expired);
}

/** Time passes and the level is judged by how the bout stands now. */
function pass(state: BoutAttempt, ticks: number): void {
  const { world, observed, verdicts, clock } = state;
  const { judging } = world.level;
  const { bout } = state;
  for (let tick = 1; tick <= ticks && !verdicts.ended && state.bout === bout; tick++) {
    state.ticks++;
    const expired = tickClock(observed, clock, judging);
    if (world.isTimed || expired || tick === ticks) judge(state, expired);
  }
}

/**
 * Plays a round, or a turn where gauges decide whose it is; then the rules judge. An ended attempt stays as it is.
 * @param note is called for every turn
 */
export function goOnAttempt(state: BoutAttempt, choose: Choosing, note?: (turn: Turn) => void): void {
  if (state.phase !== 'playing') return;
  const { world, verdicts, bout } = state;
  let turns = 0;
  goOn(bout, choose, (turn) => {
    turns++;
    note?.(turn);
  });
  if (world.level.judging.clockStarts === 'firstMove') state.clock.runs = true;
  observeBout(world, state.observed, bout, state.roundsBefore);
  pass(state, Math.max(1, turns) * world.level.turnTicks);
  // The last effect may have decided the bout; after a new beginning the judge sees that beginning.
  if (!verdicts.ended && (state.bout !== bout || bout.phase !== 'playing')) pass(state, 1);
  if (verdicts.ended) state.phase = verdicts.ending.result;
  else if (state.bout.phase !== 'playing' || state.anew >= MOST_ANEW) state.phase = 'undecided';
}
