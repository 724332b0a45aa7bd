import {
  cutAt,
  emptyRecording,
  inputsOf,
  record,
  step,
  type AttemptState,
  type PreparedLevel,
  type Recording,
  type World,
} from '../../play/attempt/index.ts';
import { makeWorld } from '../../play/movement/index.ts';
import type { Abilities } from '../../basics/abilities/index.ts';
import {
  drawPlayer,
  emptyNeeds,
  isDecidedAt,
  makePlayer,
  needsToOpenTheWay,
  pendingNeeds,
  playerInput,
  type Needs,
  type Population,
} from '../pacers/index.ts';
import { mix, mixFloat } from '../../basics/random/index.ts';
import { starsFor } from '../../play/rules/index.ts';
import { groundGame } from './groundGame.ts';
import type { GameResult } from './game.ts';
import { hasMeetings, isBout, type ResolvedLevel, type PreparedGround } from './resolveLevel.ts';
import { levelRunner } from './levelRunner.ts';

/** An attempt with all that its inputs rested on besides the ground and what moves on it. */
interface Played {
  recording: Recording;
  /** At every decision what was pursued, as a number. */
  pursued: number[];
  /** Ticks and rules, in turn, whose milestones acted. */
  acted: number[];
  result: GameResult;
}

/** Attempts at a level that are kept, so that another way of judging them can be asked for. */
export interface ReplayingRunner {
  level: ResolvedLevel;
  /** One play from start to end, with nothing carried in. */
  play(who: Population | Abilities, seed: number): GameResult;
  /** Played attempts by seed. */
  played: ReadonlyMap<number, Played>;
  /** Number of attempts that were judged again instead of played. */
  judgedAgain(): number;
}

/** Folds goals into a hash. */
function mixNeeds(hash: number, { gather, beat, zone, goal, latch, height }: Needs): number {
  for (const wanted of gather) hash = mix(hash, wanted ? 1 : 0);
  for (const wanted of beat) hash = mix(hash, wanted ? 1 : 0);
  for (const one of [zone, goal ? 1 : 0, latch]) hash = mix(hash, one);
  return mixFloat(hash, height);
}

/** Returns a number for what players pursue now, by the rules as they are judged: the same number for the same goals. @param needs is overwritten */
function pursuedNow(state: AttemptState, needs: Needs): number {
  pendingNeeds(state, needs);
  const hash = mixNeeds(0, needs);
  needsToOpenTheWay(state, needs);
  return mixNeeds(hash, needs);
}

/** The structure of the rules, without the amounts of comparisons and the times that conditions have to hold. */
const shapeOf = ({ rules, score, tallies, lives, clockStart, clockStarts, stars }: PreparedLevel['judging']): string =>
  JSON.stringify(
    // Conditions of stars are judged as those of rules are.
    [rules, score, tallies, lives, clockStart, clockStarts, stars.is === 'conditions' ? stars.conditions : []],
    (key, value: unknown) => (key === 'amount' || key === 'heldTicks' ? undefined : value),
  );

/** Do players see and do the same at two levels, as far as their goals are the same? */
export const isPlayedAlike = (one: PreparedLevel, other: PreparedLevel): boolean =>
  one.kind === other.kind &&
  JSON.stringify(one.motion) === JSON.stringify(other.motion) &&
  shapeOf(one.judging) === shapeOf(other.judging);

const needsOf = ({ level: { motion } }: World): Needs => emptyNeeds(motion.kindsOfCollectable, motion.kindsOfEnemy);

function noteActed({ verdicts, tick }: AttemptState, acted: number[]): void {
  for (let i = 0; i < verdicts.dueCount; i++) acted.push(tick, verdicts.due[i] as number);
}

/** Plays an attempt and keeps it. */
function play(world: World, who: Abilities, seed: number): Played {
  const state = groundGame.start(world, seed, {});
  const player = makePlayer(state, who, seed);
  const needs = needsOf(world);
  const recording = emptyRecording(seed);
  const pursued: number[] = [];
  const acted: number[] = [];
  while (!groundGame.isOver(state)) {
    if (isDecidedAt(state.tick)) pursued.push(pursuedNow(state, needs));
    const input = playerInput(player, state);
    record(recording, input);
    step(state, input);
    noteActed(state, acted);
  }
  return { recording, pursued, acted, result: groundGame.result(state) };
}

/** An attempt of a forecast, to be watched: the same as the one that was played with this seed, as far as it went. */
export function recordedAttempt(level: PreparedGround, who: Population, seed: number): Recording {
  const { recording } = play(makeWorld(level), drawPlayer(who, seed), seed);
  return hasMeetings(level) ? cutAt(recording, levelRunner(level).play(who, seed).length) : recording;
}

/** Judges an attempt that was played at a level of the same motion; undefined where a player would have done otherwise, or gone on. */
function judgeAgain(world: World, { recording, pursued, acted }: Played): GameResult | undefined {
  const state = groundGame.start(world, recording.seed, {});
  const needs = needsOf(world);
  const now: number[] = [];
  let decisions = 0;
  for (const input of inputsOf(recording)) {
    if (isDecidedAt(state.tick) && pursuedNow(state, needs) !== pursued[decisions++]) return undefined;
    step(state, input);
    if (groundGame.isOver(state)) return groundGame.result(state);
    const before = now.length;
    noteActed(state, now);
    for (let at = before; at < now.length; at++) if (now[at] !== acted[at]) return undefined;
    // An effect that acted in the recorded attempt and does not act now.
    const next = acted[now.length];
    if (next !== undefined && next <= state.tick) return undefined;
  }
  return undefined;
}

/** How many stars attempts come to at a level that differs from another by its ladder's thresholds alone; undefined where it differs by more. */
function starsAlone(one: PreparedLevel, other: PreparedLevel): ((result: GameResult) => number) | undefined {
  const { stars } = other.judging;
  // Where the clock ends by grade, stars decide who wins.
  if (stars.is !== 'ladder' || one.judging.stars.is !== 'ladder' || other.judging.atExpiry === 'grade')
    return undefined;
  const without = (level: PreparedLevel): string =>
    JSON.stringify({ ...level, judging: { ...level.judging, stars: { ...level.judging.stars, thresholds: [] } } });
  if (without(one) !== without(other)) return undefined;
  return ({ won, starReading }) => (won ? starsFor(stars.thresholds, starReading, stars.atMost) : 0);
}

/**
 * Makes a level ready, and keeps its attempts. Attempts of an earlier level that differs only in its thresholds,
 * its clock, its stars or its tie are judged again by their inputs, tick for tick. The results are those of
 * playing, wherever a player would have done the same. Bouts, and grounds with fights on the way, are played
 * again.
 * @param earlier of the same population
 */
export function replayingRunner(level: ResolvedLevel, earlier?: ReplayingRunner): ReplayingRunner {
  return isBout(level) || hasMeetings(level)
    ? { level, played: new Map(), judgedAgain: () => 0, play: levelRunner(level).play }
    : recordedOnGround(level, earlier);
}

function recordedOnGround(level: PreparedLevel, earlier?: ReplayingRunner): ReplayingRunner {
  const world = makeWorld(level);
  const before = earlier && !isBout(earlier.level) ? earlier.level : undefined;
  const known = before && isPlayedAlike(before, level) ? earlier?.played : undefined;
  const played = new Map<number, Played>();
  const starsOf = before && starsAlone(before, level);
  let again = 0;
  return {
    level,
    played,
    judgedAgain: () => again,
    play(who: Population | Abilities, seed) {
      const before = known?.get(seed);
      const result =
        before && (starsOf ? { ...before.result, stars: starsOf(before.result) } : judgeAgain(world, before));
      if (result) again++;
      const made: Played =
        before && result ? { ...before, result } : play(world, 'abilities' in who ? drawPlayer(who, seed) : who, seed);
      played.set(seed, made);
      return made.result;
    },
  };
}
