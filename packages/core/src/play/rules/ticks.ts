/** Attempts run at this fixed rate, in play and in trials alike. */
export const TICKS_PER_SECOND = 60;

/** Length of a tick, seconds. */
export const TICK_SECONDS = 1 / TICKS_PER_SECOND;

/** The tick nearest to a time. @param seconds 0 or more */
export const secondsToTicks = (seconds: number): number => Math.max(0, Math.round(seconds * TICKS_PER_SECOND));

/** Returns the length of a number of ticks, seconds. */
export const ticksToSeconds = (ticks: number): number => ticks / TICKS_PER_SECOND;
