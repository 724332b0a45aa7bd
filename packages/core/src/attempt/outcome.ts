import { READINGS } from '../rules/index.ts';
import type { AttemptState } from './state.ts';

/** The reading that the level's star ladder stands on, as it is now. Seconds left; endless without a limit. */
export const starReading = (state: AttemptState): number => READINGS.timeLeft.read(state.observed, 0);
