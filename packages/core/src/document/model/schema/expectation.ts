import { z } from 'zod';
import { Id } from './ids.ts';
import { Order, type Listed } from './keyed.ts';
import { Limits } from '../values/limits.ts';
import { Reading } from './reading.ts';

/** A verdict that a designer can hold the judge to. */
export const ExpectedVerdict = z.enum(['won', 'lost', 'goesOn']);
export type ExpectedVerdict = z.infer<typeof ExpectedVerdict>;

/** A saved assertion, checked again at every edit. */
export const ExpectationEntry = z
  .discriminatedUnion('is', [
    z.strictObject({
      order: Order,
      is: z.literal('verdict'),
      slotId: Id,
      words: z.string().max(Limits.textLength).describe('The case, as it was kept.'),
      frames: z
        .array(
          z.strictObject({
            set: z.array(z.strictObject({ reading: Reading, value: z.number() })).max(60),
            seconds: z.number().min(0).max(600).describe('For how long they stand; one tick at least.'),
          }),
        )
        .min(1)
        .max(40)
        .refine(
          (frames) => frames.reduce((sum, { seconds }) => sum + seconds, 0) <= Limits.expectationSeconds,
          `An expectation goes on for at most ${Limits.expectationSeconds} s in all.`,
        )
        .describe('Readings over those of the start, one set after the other.'),
      verdict: ExpectedVerdict,
    }),
    z.strictObject({
      order: Order,
      is: z.literal('clearRate'),
      slotId: Id,
      pacer: Id,
      low: z.number().min(0).max(1),
      high: z.number().min(0).max(1),
    }),
  ])
  .meta({ title: 'Expectation' });
export type Expectation = Listed<z.infer<typeof ExpectationEntry>>;
