import { z } from 'zod';
import { Amount } from './amount.ts';
import { Limits } from './limits.ts';

/** What a rule does when it fires. Win and lose end the attempt; a rule with any other effect is a milestone. */
export const Effect = z
  .discriminatedUnion('effect', [
    z.strictObject({ effect: z.literal('win') }),
    z.strictObject({
      effect: z.literal('lose'),
      cause: z.string().min(1).max(Limits.nameLength).describe('Told to the player and counted in forecasts.'),
    }),
    z.strictObject({
      effect: z.literal('loseLife'),
      lives: Amount.describe('How many lives it costs.'),
      back: z.enum(['start', 'stay']).describe('Where the player goes on.'),
    }),
  ])
  .meta({ title: 'Effect' });
export type Effect = z.infer<typeof Effect>;
