import { z } from 'zod';
import { Id } from './ids.ts';

const LiteralAmount = z.strictObject({
  from: z.literal('number'),
  value: z.number().describe('In the unit of whatever takes the amount.'),
});

const ParameterAmount = z.strictObject({
  from: z.literal('parameter'),
  parameter: Id.describe('Key of a parameter of the project.'),
  times: z.number().optional().describe('Factor on the value, 1 when absent.'),
  plus: z.number().optional().describe('Added after the factor, 0 when absent.'),
});
export type ParameterAmount = z.infer<typeof ParameterAmount>;

export const ShareSource = z.discriminatedUnion('from', [LiteralAmount, ParameterAmount]);
export type ShareSource = z.infer<typeof ShareSource>;

const Measure = z.enum(['worth', 'count']);

/** A number wherever a rule, a kind or a clock needs one: a literal, a parameter (value × times + plus), all that is placed, or a share of it. */
export const Amount = z
  .discriminatedUnion('from', [
    LiteralAmount,
    ParameterAmount,
    z.strictObject({
      from: z.literal('placed'),
      of: Id.describe('A kind of collectable, or "any".'),
      measure: Measure.describe('All points placed, or all pieces.'),
    }),
    z.strictObject({
      from: z.literal('share'),
      share: ShareSource.describe('0–1'),
      of: Id.describe('A kind of collectable, or "any".'),
      measure: Measure.describe('Share of the points placed, or of the number of pieces; rounded up.'),
    }),
  ])
  .meta({ id: 'Amount', title: 'Amount' });
export type Amount = z.infer<typeof Amount>;
