import { z } from 'zod';
import { ABILITIES, ABILITY_NAMES, type AbilityName } from '../../basics/abilities/index.ts';
import { Order, type Listed } from './keyed.ts';
import { Limits } from './limits.ts';
import { Name } from './name.ts';

/** A number for each ability, in the range and the unit of its definition. */
const Abilities = z.strictObject(
  Object.fromEntries(
    ABILITY_NAMES.map((name) => {
      const { least, most, unit, means } = ABILITIES[name];
      return [name, z.number().min(least).max(most).describe(`${means} In ${unit}.`)];
    }),
  ) as Record<AbilityName, z.ZodNumber>,
);

/** A population of players of like ability: each attempt draws one player from it. */
export const PacerEntry = z
  .strictObject({
    order: Order,
    name: Name(Limits.nameLength, 'A pacer needs a name.'),
    abilities: Abilities.describe('Means of the population.'),
    spread: z
      .number()
      .min(0)
      .max(1)
      .describe('How much players differ: the deviation of each ability as a share of its mean.'),
    persistence: z
      .number()
      .int()
      .min(1)
      .max(1000)
      .optional()
      .describe('Lost tries at one level after which such a player gives up the game; never when absent.'),
    learning: z
      .number()
      .min(0)
      .max(1)
      .optional()
      .describe(
        'How much of reaction and steering error tries at one level can take away in the end; nothing when absent.',
      ),
  })
  .meta({ title: 'Pacer' });
export type Pacer = Listed<z.infer<typeof PacerEntry>>;

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
