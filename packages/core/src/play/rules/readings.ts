import type { Reading, ReadingName } from '../../document/model/index.ts';
import type { Observed } from './observed.ts';
import { secondsToTicks, TICK_SECONDS } from './ticks.ts';

/** Where a reading's subject is looked up. */
export type SubjectSort =
  | 'collectable'
  | 'enemy'
  | 'toucher'
  | 'zone'
  | 'latch'
  | 'gate'
  | 'phase'
  | 'tally'
  | 'side'
  | 'fighter'
  | 'none';

/** Everything Stadion knows of one reading. */
export interface ReadingDefinition {
  unit: 'points' | 'count' | 'seconds' | 'lives' | 'health' | 'length' | 'speed' | 'share' | 'on/off';
  subject: SubjectSort;
  /** The ways it can move during an attempt. */
  direction: 'up' | 'down' | 'both';
  /** The smallest difference that an edge case shows. */
  step: number;
  /** On/off readings give 1 or 0. @param subject index of its kind, zone, latch … */
  read(observed: Observed, subject: number): number;
  /** Sets what is seen so that the reading is this, as far as it can be. */
  write(observed: Observed, subject: number, value: number): void;
}

type List = { [K in keyof Observed]: Observed[K] extends number[] ? K : never }[keyof Observed];
type Single = { [K in keyof Observed]: Observed[K] extends number ? K : never }[keyof Observed];

/** Every reading is read by a function of its own, which names its field: one shared by all would look the field up each time. */
const toList = (list: List): Pick<ReadingDefinition, 'write'> => ({
  write: (seen, subject, value) => {
    seen[list][subject] = value;
  },
});
const toSingle = (name: Single): Pick<ReadingDefinition, 'write'> => ({
  write: (seen, _subject, value) => {
    seen[name] = value;
  },
});

/** Every reading. No limit on the clock reads as endless time left. */
export const READINGS: { readonly [N in ReadingName]: ReadingDefinition } = {
  score: {
    unit: 'points',
    subject: 'none',
    direction: 'both',
    step: 1,
    read: (seen) => {
      let score = seen.bonus;
      for (let i = 0; i < seen.scoreTerms.length; i++) {
        const term = seen.scoreTerms[i] as (typeof seen.scoreTerms)[number];
        const value = term.reading.read(seen, term.subject);
        if (value !== Number.POSITIVE_INFINITY) score += term.times * value;
      }
      return score;
    },
    write: (seen, subject, value) => {
      seen.bonus += value - READINGS.score.read(seen, subject);
    },
  },
  worth: {
    unit: 'points',
    subject: 'collectable',
    direction: 'up',
    step: 1,
    read: (seen, subject) => seen.worth[subject] as number,
    ...toList('worth'),
  },
  collected: {
    unit: 'count',
    subject: 'collectable',
    direction: 'up',
    step: 1,
    read: (seen, subject) => seen.collected[subject] as number,
    ...toList('collected'),
  },
  left: {
    unit: 'count',
    subject: 'collectable',
    direction: 'both',
    step: 1,
    read: (seen, subject) => seen.left[subject] as number,
    ...toList('left'),
  },
  enemiesLeft: {
    unit: 'count',
    subject: 'enemy',
    direction: 'both',
    step: 1,
    read: (seen, subject) => seen.enemiesLeft[subject] as number,
    ...toList('enemiesLeft'),
  },
  enemiesBeaten: {
    unit: 'count',
    subject: 'enemy',
    direction: 'up',
    step: 1,
    read: (seen, subject) => seen.enemiesBeaten[subject] as number,
    ...toList('enemiesBeaten'),
  },
  lives: {
    unit: 'lives',
    subject: 'none',
    direction: 'down',
    step: 1,
    read: (seen) => seen.lives,
    ...toSingle('lives'),
  },
  health: {
    unit: 'health',
    subject: 'none',
    direction: 'both',
    step: 1,
    read: (seen) => seen.health,
    ...toSingle('health'),
  },
  tries: { unit: 'count', subject: 'none', direction: 'up', step: 1, read: (seen) => seen.tries, ...toSingle('tries') },
  timeElapsed: {
    unit: 'seconds',
    subject: 'none',
    direction: 'up',
    step: TICK_SECONDS,
    read: (seen) => seen.clockTicks * TICK_SECONDS,
    write: (seen, _subject, value) => {
      seen.clockTicks = secondsToTicks(value);
    },
  },
  timeLeft: {
    unit: 'seconds',
    subject: 'none',
    direction: 'down',
    step: TICK_SECONDS,
    read: (seen) =>
      seen.limitTicks < 0 ? Number.POSITIVE_INFINITY : Math.max(0, seen.limitTicks - seen.clockTicks) * TICK_SECONDS,
    write: (seen, _subject, value) => {
      if (seen.limitTicks >= 0) seen.clockTicks = Math.max(0, seen.limitTicks - secondsToTicks(value));
    },
  },
  height: {
    unit: 'length',
    subject: 'none',
    direction: 'both',
    step: 0.01,
    read: (seen) => seen.height,
    ...toSingle('height'),
  },
  distance: {
    unit: 'length',
    subject: 'none',
    direction: 'up',
    step: 0.01,
    read: (seen) => seen.distance,
    ...toSingle('distance'),
  },
  tally: {
    unit: 'count',
    subject: 'tally',
    direction: 'both',
    step: 1,
    read: (seen, subject) => seen.tallies[subject] as number,
    ...toList('tallies'),
  },
  phase: {
    unit: 'count',
    subject: 'phase',
    direction: 'up',
    step: 1,
    read: (seen, subject) => seen.phases[subject] as number,
    ...toList('phases'),
  },
  latch: {
    unit: 'on/off',
    subject: 'latch',
    direction: 'up',
    step: 1,
    read: (seen, subject) => seen.latches[subject] as number,
    ...toList('latches'),
  },
  gate: {
    unit: 'on/off',
    subject: 'gate',
    direction: 'both',
    step: 1,
    read: (seen, subject) => seen.gates[subject] as number,
    ...toList('gates'),
  },
  inside: {
    unit: 'on/off',
    subject: 'zone',
    direction: 'both',
    step: 1,
    read: (seen, subject) => seen.inside[subject] as number,
    ...toList('inside'),
  },
  touching: {
    unit: 'on/off',
    subject: 'toucher',
    direction: 'both',
    step: 1,
    read: (seen, subject) => seen.touching[subject] as number,
    ...toList('touching'),
  },
  offGround: {
    unit: 'on/off',
    subject: 'none',
    direction: 'both',
    step: 1,
    read: (seen) => seen.offGround,
    ...toSingle('offGround'),
  },
  crossings: {
    unit: 'count',
    subject: 'none',
    direction: 'up',
    step: 1,
    read: (seen) => seen.crossings,
    ...toSingle('crossings'),
  },
  row: { unit: 'count', subject: 'none', direction: 'both', step: 1, read: (seen) => seen.row, ...toSingle('row') },
  onFloor: {
    unit: 'on/off',
    subject: 'none',
    direction: 'both',
    step: 1,
    read: (seen) => seen.onFloor,
    ...toSingle('onFloor'),
  },
  fallSpeed: {
    unit: 'speed',
    subject: 'none',
    direction: 'both',
    step: 0.01,
    read: (seen) => seen.fallSpeed,
    ...toSingle('fallSpeed'),
  },
  climbRate: {
    unit: 'speed',
    subject: 'none',
    direction: 'both',
    step: 0.01,
    read: (seen) => seen.climbRate,
    ...toSingle('climbRate'),
  },
  touchingWall: {
    unit: 'on/off',
    subject: 'none',
    direction: 'both',
    step: 1,
    read: (seen) => seen.touchingWall,
    ...toSingle('touchingWall'),
  },
  sectionsPassed: {
    unit: 'count',
    subject: 'none',
    direction: 'up',
    step: 1,
    read: (seen) => seen.sectionsPassed,
    ...toSingle('sectionsPassed'),
  },
  blocked: {
    unit: 'on/off',
    subject: 'none',
    direction: 'both',
    step: 1,
    read: (seen) => seen.blocked,
    ...toSingle('blocked'),
  },
  sideBeaten: {
    unit: 'on/off',
    subject: 'side',
    direction: 'both',
    step: 1,
    read: (seen, subject) => seen.sidesBeaten[subject] as number,
    ...toList('sidesBeaten'),
  },
  rounds: {
    unit: 'count',
    subject: 'none',
    direction: 'up',
    step: 1,
    read: (seen) => seen.rounds,
    ...toSingle('rounds'),
  },
  fallen: {
    unit: 'count',
    subject: 'none',
    direction: 'both',
    step: 1,
    read: (seen) => seen.fallen,
    ...toSingle('fallen'),
  },
  healthShare: {
    unit: 'share',
    subject: 'fighter',
    direction: 'both',
    step: 0.01,
    read: (seen, subject) => seen.healthShares[subject] as number,
    ...toList('healthShares'),
  },
};

/** Readings that only a level decided by a bout has. */
export const BOUT_READINGS: readonly ReadingName[] = ['sideBeaten', 'rounds', 'fallen', 'healthShare'];

export const readingDefinition = (reading: Reading): ReadingDefinition => READINGS[reading.reading];

/** Returns the name of a reading outside Stadion, with its subject after a dot. @example 'worth.any' */
export const readingName = (reading: Reading): string => {
  const id = subjectId(reading);
  return id === '' ? reading.reading : `${reading.reading}.${id}`;
};

/** The id of what a reading is about; empty for those that need none. */
export function subjectId(reading: Reading): string {
  switch (reading.reading) {
    case 'worth':
    case 'collected':
    case 'left':
    case 'enemiesLeft':
    case 'enemiesBeaten':
      return reading.of;
    case 'tally':
      return reading.tally;
    case 'phase':
      return reading.piece;
    case 'latch':
      return reading.latch;
    case 'gate':
      return reading.gate;
    case 'inside':
      return reading.zone;
    case 'touching':
      return reading.kind;
    case 'sideBeaten':
      return reading.side;
    case 'healthShare':
      return reading.fighter;
    default:
      return '';
  }
}
