import type { Stream } from '../../../basics/random/index.ts';
import { secondsToTicks } from '../../../play/rules/index.ts';

const SHORTEST_SECONDS = 0.3;
const LONGEST_SECONDS = 1.2;

/** Moments of no reaction. */
export interface Lapses {
  /** The last tick of the one under way, -1 for none. */
  untilTick: number;
}

/**
 * Is the player absent at this decision? Always two draws, so that one decision never shifts the next one's faults.
 *
 * @param chance that a lapse begins, per decision
 */
export function isAbsent(lapses: Lapses, tick: number, chance: number, stream: Stream): boolean {
  const begins = stream.next();
  const length = stream.next();
  if (tick <= lapses.untilTick) return true;
  if (begins >= chance) return false;
  lapses.untilTick = tick + secondsToTicks(SHORTEST_SECONDS + length * (LONGEST_SECONDS - SHORTEST_SECONDS));
  return true;
}
