import { z } from 'zod';
import { Amount } from './amount.ts';
import { Condition } from './condition.ts';

/** Readings that a ladder of stars can use. */
export const StarReading = z.enum([
  'timeLeft',
  'timeElapsed',
  'score',
  'worth',
  'collected',
  'lives',
  'health',
  'tries',
  'rounds',
  'fallen',
]);
export type StarReading = z.infer<typeof StarReading>;

/** Judged at the win: a ladder on one reading in one direction, or each star by its own condition. */
export const Stars = z
  .discriminatedUnion('is', [
    z.strictObject({
      is: z.literal('ladder'),
      reading: StarReading,
      direction: z.enum(['atLeast', 'atMost']),
      thresholds: z
        .array(Amount.nullable())
        .min(1)
        .max(5, 'Five stars at most.')
        .describe('One per star, from the first: the reading it takes, or null for “cleared is enough”.'),
    }),
    z.strictObject({
      is: z.literal('conditions'),
      conditions: z
        .array(Condition.nullable())
        .min(1)
        .max(5, 'Five stars at most.')
        .describe('One per star, each by itself; null for “cleared is enough”.'),
    }),
  ])
  .meta({ id: 'Stars', title: 'Stars' });
export type Stars = z.infer<typeof Stars>;
