import { z } from 'zod';
import { ABILITIES, ABILITY_NAMES, type AbilityName } from '../../../basics/abilities/index.ts';
import { Order, type Listed } from './keyed.ts';
import { Limits } from '../values/limits.ts';
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
