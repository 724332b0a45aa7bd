import { z } from 'zod';
import { LOSABLE } from '../values/losable.ts';
import { Amount } from './amount.ts';
import { Id } from './ids.ts';
import { Limits } from '../values/limits.ts';

/** Effect of a rule when it fires. Win and lose end the attempt; a rule with any other effect is a milestone. */
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
      cause: z
        .string()
        .regex(/\S/, 'A cause needs a name.')
        .max(Limits.nameLength)
        .optional()
        .describe(
          'What took the life, told to the player and counted in forecasts; named after the condition when absent.',
        ),
      back: z.enum(['start', 'checkpoint', 'stay']).describe('Where the player goes on.'),
      resets: z
        .array(Id)
        .max(40)
        .describe(`What is lost with the life: ${LOSABLE.join(', ')}, or an own tally by id. All else is kept.`),
    }),
    z.strictObject({
      effect: z.literal('back'),
      to: z.enum(['start', 'checkpoint']).describe('Where the player is put; nothing is lost by it.'),
    }),
    z.strictObject({ effect: z.literal('gate'), gate: Id, open: z.boolean() }),
    z.strictObject({ effect: z.literal('wave'), spawner: Id.describe('A spawner that waits for a milestone.') }),
    z.strictObject({ effect: z.literal('reveal'), piece: Id.describe('A hidden collectable.') }),
    z.strictObject({ effect: z.literal('score'), add: Amount.describe('Points; may be below 0.') }),
    z.strictObject({ effect: z.literal('tally'), tally: Id, add: Amount }),
    z.strictObject({ effect: z.literal('heal'), by: Amount }),
    z.strictObject({ effect: z.literal('hurt'), by: Amount }),
    z.strictObject({
      effect: z.literal('parameter'),
      parameter: Id,
      change: z.enum(['times', 'plus', 'set']),
      by: Amount.describe('For the rest of the attempt: factor, addition or new value.'),
    }),
    z.strictObject({
      effect: z.literal('message'),
      text: z.string().regex(/\S/, 'A message needs words.').max(Limits.textLength),
      seconds: Amount.describe('How long it is shown.'),
    }),
    z.strictObject({
      effect: z.literal('cue'),
      name: z
        .string()
        .regex(/\S/, 'A cue needs a name.')
        .max(Limits.nameLength)
        .describe('A named signal for the game.'),
      at: Id.optional().describe('The goal or zone that shows it.'),
    }),
  ])
  .meta({ id: 'Effect', title: 'Effect' });
export type Effect = z.infer<typeof Effect>;
export type EffectName = Effect['effect'];
