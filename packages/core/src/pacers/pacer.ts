import type { Abilities } from '../abilities/index.ts';

/** A population of players of like ability: each attempt draws one player from it. */
export interface Pacer {
  id: string;
  name: string;
  abilities: Abilities;
  /** How much players differ: the deviation of each ability as a share of its mean. */
  spread: number;
}

export const PACERS: readonly Pacer[] = [
  {
    id: 'novice',
    name: 'Novice',
    abilities: {
      reactionMs: 340,
      aimErrorDegrees: 22,
      cautionUnits: 0.9,
      foresightSeconds: 0.45,
      lapsesPerMinute: 7,
      planning: 0,
    },
    spread: 0.3,
  },
  {
    id: 'steady',
    name: 'Steady',
    abilities: {
      reactionMs: 260,
      aimErrorDegrees: 14,
      cautionUnits: 1.1,
      foresightSeconds: 0.6,
      lapsesPerMinute: 4,
      planning: 0.4,
    },
    spread: 0.25,
  },
  {
    id: 'sharp',
    name: 'Sharp',
    abilities: {
      reactionMs: 170,
      aimErrorDegrees: 6,
      cautionUnits: 1.4,
      foresightSeconds: 0.9,
      lapsesPerMinute: 1,
      planning: 0.8,
    },
    spread: 0.2,
  },
];

/** A player without faults: what it cannot clear cannot be cleared. */
export const PERFECT: Abilities = {
  reactionMs: 0,
  aimErrorDegrees: 0,
  cautionUnits: 1.5,
  foresightSeconds: 1,
  lapsesPerMinute: 0,
  planning: 1,
};

export const pacerById = (id: string): Pacer | undefined => PACERS.find((pacer) => pacer.id === id);
