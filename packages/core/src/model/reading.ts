import { z } from 'zod';
import { Id } from './ids.ts';

const kindOrAny = Id.describe('A kind of collectable, or "any".');

/** Something a rule can read. How each is computed, its unit and the direction it can move in: rules/readings. */
export const Reading = z
  .discriminatedUnion('reading', [
    z.strictObject({ reading: z.literal('worth'), of: kindOrAny }),
    z.strictObject({ reading: z.literal('collected'), of: kindOrAny }),
    z.strictObject({ reading: z.literal('left'), of: kindOrAny }),
    z.strictObject({ reading: z.literal('lives') }),
    z.strictObject({ reading: z.literal('timeElapsed') }),
    z.strictObject({ reading: z.literal('timeLeft') }),
    z.strictObject({ reading: z.literal('inside'), zone: Id.describe('Id of a goal zone on the ground.') }),
    z.strictObject({ reading: z.literal('touching'), kind: Id.describe('A kind of enemy.') }),
  ])
  .meta({ title: 'Reading' });
export type Reading = z.infer<typeof Reading>;
export type ReadingName = Reading['reading'];
