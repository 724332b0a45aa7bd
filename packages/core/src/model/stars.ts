import { z } from 'zod';
import { Amount } from './amount.ts';

/** Judged at the win, on one reading, in one direction. */
export const Stars = z
  .strictObject({
    is: z.literal('ladder'),
    reading: z.enum(['timeLeft']),
    thresholds: z
      .array(Amount.nullable())
      .min(1)
      .max(5, 'Five stars at most.')
      .describe('One per star, from the first: the reading it takes at least, or null for “cleared is enough”.'),
  })
  .meta({ title: 'Stars' });
export type Stars = z.infer<typeof Stars>;
