/** Everything Stadion knows of one ability of simulated players. */
export interface AbilityDefinition {
  /** In words. @example 'reaction' */
  label: string;
  unit: 'ms' | 'degrees' | 'units' | 'seconds' | 'per minute' | 'share';
  /** Least and most that a pacer's mean may be, in its unit. */
  least: number;
  most: number;
  /** No player drawn has more than this, in its unit. */
  mostDrawn: number;
  /** Its meaning, in one line. */
  means: string;
}

/** The abilities of simulated players, in the order in which they are drawn: another order would draw other players. */
export const ABILITIES = {
  reactionMs: {
    label: 'reaction',
    unit: 'ms',
    least: 0,
    most: 1000,
    mostDrawn: Number.POSITIVE_INFINITY,
    means: 'From seeing to acting.',
  },
  aimErrorDegrees: {
    label: 'steering error',
    unit: 'degrees',
    least: 0,
    most: 90,
    mostDrawn: Number.POSITIVE_INFINITY,
    means: 'Deviation of the steering; it drifts slowly.',
  },
  cautionUnits: {
    label: 'caution',
    unit: 'units',
    least: 0,
    most: 10,
    mostDrawn: Number.POSITIVE_INFINITY,
    means: 'Room kept from threats beyond their touch.',
  },
  foresightSeconds: {
    label: 'foresight',
    unit: 'seconds',
    least: 0,
    most: 5,
    mostDrawn: Number.POSITIVE_INFINITY,
    means: 'How far ahead threats are thought on.',
  },
  lapsesPerMinute: {
    label: 'lapses',
    unit: 'per minute',
    least: 0,
    most: 60,
    mostDrawn: Number.POSITIVE_INFINITY,
    means: 'Moments without any reaction.',
  },
  planning: {
    label: 'planning',
    unit: 'share',
    least: 0,
    most: 1,
    mostDrawn: 1,
    means: 'From 0, always the nearest piece, to 1, the piece that pays best for the way.',
  },
} as const satisfies Record<string, AbilityDefinition>;

export type AbilityName = keyof typeof ABILITIES;

/** Abilities of a simulated player, each in the unit of its definition. */
export type Abilities = Record<AbilityName, number>;

export const ABILITY_NAMES = Object.keys(ABILITIES) as AbilityName[];
