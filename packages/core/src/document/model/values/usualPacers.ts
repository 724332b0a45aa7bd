import type { Pacer } from '../schema/pacer.ts';

/** The pacer whose forecasts are looked at: the chosen one, else the middle one of the project's. */
export const pacerOf = ({ pacers }: { pacers: readonly Pacer[] }, chosen: string | null): Pacer =>
  pacers.find(({ id }) => id === chosen) ?? (pacers[Math.floor(pacers.length / 2)] as Pacer);

/** The pacers that come with every project. */
export const usualPacers = (): Pacer[] => [
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
    persistence: 8,
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
    persistence: 12,
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
    persistence: 25,
  },
];

/** The audience of a new project: shares of players by pacer. */
export const usualAudience = (): Record<string, number> => ({ novice: 0.3, steady: 0.5, sharp: 0.2 });
