import { z } from 'zod';
import { Amount } from './amount.ts';
import { Id } from './ids.ts';
import { Order, type Listed } from './keyed.ts';
import { Name } from './name.ts';
import { Reading } from './reading.ts';

/** A counter of the designer's own, moved by milestones. */
export const TallyEntry = z.strictObject({
  order: Order,
  name: Name(),
  start: z.number().describe('Its value when a run starts.'),
});
export type Tally = Listed<z.infer<typeof TallyEntry>>;

/** Policy of a tally at an event: it is kept, or set to a value; null is its value at the start of a run. */
export const TallyPolicy = z.discriminatedUnion('is', [
  z.strictObject({ is: z.literal('keep') }),
  z.strictObject({ is: z.literal('reset'), to: Amount.nullable() }),
]);
export type TallyPolicy = z.infer<typeof TallyPolicy>;

export const TallyPolicies = z.strictObject({ retry: TallyPolicy, next: TallyPolicy, gameOver: TallyPolicy });
export type TallyPolicies = z.infer<typeof TallyPolicies>;

/** One weighted reading of a composed score. */
export const ScorePartEntry = z.strictObject({
  order: Order,
  reading: Reading,
  times: Amount.describe('Points per unit of the reading.'),
});
export type ScorePart = Listed<z.infer<typeof ScorePartEntry>>;

/** How a play through the sequence goes. */
export const Run = z
  .strictObject({
    livesAtStart: Amount,
    livesAtMost: Amount.nullable().describe('No limit when null.'),
    lifeEvery: Amount.nullable().describe('A life for every so many points of the run’s score; never when null.'),
    order: z.enum(['inOrder', 'shuffled', 'inOrderThenShuffled', 'loop']),
    afterLast: z.enum(['end', 'startOver', 'goOn']).describe('Go on: the ramps continue past the last position.'),
    unlock: z
      .discriminatedUnion('by', [
        z.strictObject({ by: z.literal('win') }),
        z.strictObject({ by: z.literal('stars'), perSlot: Amount.describe('Stars gathered per slot before it.') }),
        z.strictObject({ by: z.literal('open') }),
      ])
      .describe('What opens a slot.'),
    onGameOver: z.enum(['firstSlot', 'tierFirstSlot', 'sameSlot']),
    keep: z.record(Id, TallyPolicies).describe('By tally: score, lives, collected, stars, or an own one by id.'),
  })
  .meta({ title: 'Run' });
export type Run = z.infer<typeof Run>;
