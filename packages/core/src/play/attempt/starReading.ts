import type { AttemptState } from './types.ts';

/** The reading that the level's star ladder stands on, as it is now; endless without one, and for time left without a limit. */
export function starReading(state: AttemptState): number {
  const { stars } = state.world.judge;
  return stars.is === 'ladder' ? stars.reading.read(state.observed, stars.subject) : Number.POSITIVE_INFINITY;
}
