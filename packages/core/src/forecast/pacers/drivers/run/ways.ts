/**
 * A standing runner without a press has one way only, given by place and time, so presses that land at the same
 * place share the rest. Scratch of one search, by ticks from the act.
 */

/** Longer than any search looks ahead. Ticks. */
const LONGEST = 128;

/** Where the body stood, units; not a number where no way is known. */
const heights = new Float64Array(LONGEST);
/** Ticks from the act that it lasts from there on. */
const lasting = new Float64Array(LONGEST);
/** Which pieces it reaches after that tick, a bit each. */
const reaching = new Int32Array(LONGEST);

/** The way at hand, which is not over yet. */
const here = new Float64Array(LONGEST);
const reachedHere = new Int32Array(LONGEST);

/** Begins a search. */
export const forgetWays = (): unknown => heights.fill(Number.NaN);

export const isKnownWay = (tick: number, height: number): boolean => heights[tick] === height;
export const lastsOnWay = (tick: number): number => lasting[tick] as number;
export const reachedOnWay = (tick: number): number => reaching[tick] as number;

/** @param height where the body stands and just runs; not a number where it does not @param reached pieces reached at this tick, a bit each */
export function noteWay(tick: number, height: number, reached: number): void {
  here[tick] = height;
  reachedHere[tick] = reached;
}

/** Keeps the way at hand, without its last tick. @param beyond pieces reached from its end on, a bit each */
export function keepWay(first: number, end: number, lasts: number, beyond: number): void {
  let reached = beyond;
  for (let tick = end - 1; tick >= first; tick--) {
    if (!Number.isNaN(here[tick])) {
      heights[tick] = here[tick] as number;
      lasting[tick] = lasts;
      reaching[tick] = reached;
    }
    reached |= reachedHere[tick] as number;
  }
}
