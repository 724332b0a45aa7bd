import type { AttemptState, Happening, StartFrom, World } from './types.ts';
import { startAttemptFrom } from './startAttempt.ts';
import { step } from './step.ts';

/** An attempt as a few hundred bytes: replayed, it is the same at every tick. */
export interface Recording {
  seed: number;
  from: StartFrom;
  /** Run-length coded inputs: input, ticks, input, ticks … */
  runs: number[];
}

export const emptyRecording = (seed: number, from: StartFrom = {}): Recording => ({ seed, from, runs: [] });

/** Adds the input of one tick, in place. */
export function record({ runs }: Recording, input: number): void {
  const { length } = runs;
  if (length > 0 && runs[length - 2] === input) runs[length - 1] = (runs[length - 1] as number) + 1;
  else runs.push(input, 1);
}

/** Ticks recorded. */
export function recordedTicks({ runs }: Recording): number {
  let ticks = 0;
  for (let i = 1; i < runs.length; i += 2) ticks += runs[i] as number;
  return ticks;
}

/** Returns the recorded input for the tick that follows `ticks` ticks; undefined beyond the end. */
export function inputAfter({ runs }: Recording, ticks: number): number | undefined {
  let passed = 0;
  for (let i = 0; i < runs.length; i += 2) {
    passed += runs[i + 1] as number;
    if (ticks < passed) return runs[i];
  }
  return undefined;
}

/** Drops everything after a tick: play goes on from there. */
export function cutAt(recording: Recording, tick: number): Recording {
  const runs: number[] = [];
  let left = tick;
  for (let i = 0; i < recording.runs.length && left > 0; i += 2) {
    const ticks = Math.min(left, recording.runs[i + 1] as number);
    runs.push(recording.runs[i] as number, ticks);
    left -= ticks;
  }
  return { ...recording, runs };
}

/** The inputs of a recording, tick by tick. */
export function* inputsOf({ runs }: Recording): Iterable<number> {
  for (let i = 0; i < runs.length; i += 2) for (let n = 0; n < (runs[i + 1] as number); n++) yield runs[i] as number;
}

/** Plays a recording again. @param until tick to stop after @param visit called after every tick, and before the first */
export function replay(
  world: World,
  recording: Recording,
  until = Number.POSITIVE_INFINITY,
  visit?: (state: AttemptState) => void,
): AttemptState {
  const state = startAttemptFrom(world, recording.seed, recording.from);
  visit?.(state);
  for (const input of inputsOf(recording)) {
    if (state.tick >= until || state.phase !== 'playing') return state;
    step(state, input);
    visit?.(state);
  }
  return state;
}

/** The course of an attempt, rule by rule. */
export interface Timeline {
  ticks: number;
  /** Spans of ticks in which the condition of each rule held: from, to (exclusive), from, to … */
  truths: number[][];
  /** Ticks at which each rule fired. */
  fired: number[][];
  happenings: Happening[];
  /** The tick that decided, or null while nothing has. */
  decidedAt: number | null;
}

/** Every rule's truth over a recorded attempt. */
export function timelineOf(world: World, recording: Recording): Timeline {
  const { rules } = world.judge;
  const truths: number[][] = rules.map(() => []);
  const fired: number[][] = rules.map(() => []);
  const before = rules.map(() => 0);
  const end = replay(world, recording, Number.POSITIVE_INFINITY, ({ tick, verdicts }) => {
    if (tick === 0) return;
    rules.forEach((_rule, index) => {
      const spans = truths[index] as number[];
      const open = spans.length % 2 === 1;
      const isTrue = verdicts.wasTrue[index] === true;
      if (isTrue !== open) spans.push(tick);
      const count = verdicts.fired[index] as number;
      if (count > (before[index] as number)) (fired[index] as number[]).push(tick);
      before[index] = count;
    });
  });
  for (const spans of truths) if (spans.length % 2 === 1) spans.push(end.tick + 1);
  return {
    ticks: end.tick,
    truths,
    fired,
    happenings: end.happenings,
    decidedAt: end.phase === 'playing' ? null : end.tick,
  };
}
