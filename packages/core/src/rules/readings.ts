import type { Reading, ReadingName } from '../model/index.ts';
import type { Observed } from './observed.ts';

/** Everything Stadion knows of one reading. */
export interface ReadingDefinition {
  unit: 'points' | 'count' | 'seconds' | 'lives' | 'on/off';
  /** Which of the document's lists the reading's subject comes from. */
  subject: 'collectable' | 'goal' | 'enemy' | 'none';
  /** The ways it can move during an attempt. */
  direction: 'up' | 'down' | 'both';
  /** On/off readings give 1 or 0. @param subject index of its kind or zone */
  read(observed: Observed, subject: number): number;
}

const SECONDS_PER_TICK = 1 / 60;

/** Every reading. No limit on the clock reads as endless time left. */
export const READINGS: { readonly [N in ReadingName]: ReadingDefinition } = {
  worth: { unit: 'points', subject: 'collectable', direction: 'up', read: (seen, kind) => seen.worth[kind] as number },
  collected: {
    unit: 'count',
    subject: 'collectable',
    direction: 'up',
    read: (seen, kind) => seen.collected[kind] as number,
  },
  left: { unit: 'count', subject: 'collectable', direction: 'down', read: (seen, kind) => seen.left[kind] as number },
  lives: { unit: 'lives', subject: 'none', direction: 'down', read: (seen) => seen.lives },
  timeElapsed: {
    unit: 'seconds',
    subject: 'none',
    direction: 'up',
    read: (seen) => seen.clockTicks * SECONDS_PER_TICK,
  },
  timeLeft: {
    unit: 'seconds',
    subject: 'none',
    direction: 'down',
    read: (seen) =>
      seen.limitTicks < 0
        ? Number.POSITIVE_INFINITY
        : Math.max(0, seen.limitTicks - seen.clockTicks) * SECONDS_PER_TICK,
  },
  inside: { unit: 'on/off', subject: 'goal', direction: 'both', read: (seen, goal) => seen.inside[goal] as number },
  touching: {
    unit: 'on/off',
    subject: 'enemy',
    direction: 'both',
    read: (seen, kind) => seen.touching[kind] as number,
  },
};

export const readingDefinition = (reading: Reading): ReadingDefinition => READINGS[reading.reading];
