/** Counted over a run besides the project's own tallies. */
export const RUN_TALLIES = ['score', 'lives', 'collected', 'stars'] as const;
export type RunTally = (typeof RUN_TALLIES)[number];

/** The events at which tallies are kept or reset. */
export const RUN_EVENTS = ['retry', 'next', 'gameOver'] as const;
export type PlaythroughEvent = (typeof RUN_EVENTS)[number];
