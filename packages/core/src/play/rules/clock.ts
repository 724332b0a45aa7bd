import type { Judging } from './judging.ts';
import type { Observed } from './observed.ts';
import type { Expiry } from './resolved.ts';

/** The clock of one attempt. */
export interface ClockState {
  runs: boolean;
  /** Has it warned already? */
  warned: boolean;
}

export const startClock = ({ clockStarts }: Pick<Judging, 'clockStarts'>): ClockState => ({
  runs: clockStarts === 'load',
  warned: false,
});

/**
 * Runs the clock by one tick. A limit reached exactly counts as reached.
 *
 * @returns what happens once the limit is reached; null before
 */
export function tickClock(
  observed: Observed,
  clock: ClockState,
  { warnAtTicks, atExpiry }: Pick<Judging, 'warnAtTicks' | 'atExpiry'>,
): Expiry | null {
  if (!clock.runs) return null;
  observed.clockTicks++;
  const { limitTicks, clockTicks } = observed;
  if (limitTicks < 0) return null;
  if (warnAtTicks > 0 && limitTicks - clockTicks <= warnAtTicks) clock.warned = true;
  return clockTicks >= limitTicks ? atExpiry : null;
}
