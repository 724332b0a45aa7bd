import { z } from 'zod';
import { Amount } from './amount.ts';
import { Condition } from './condition.ts';

export const Clock = z
  .strictObject({
    limitSeconds: Amount.nullable().describe('No limit when null.'),
    starts: z.enum(['load', 'firstMove', 'condition']),
    startsWhen: Condition.optional().describe('For “condition”: the clock starts when it first holds.'),
    warnAtSeconds: Amount.nullable().describe('Warns when this much is left.'),
    parSeconds: Amount.nullable().describe('The time a good attempt takes; told, never judged.'),
    atExpiry: z
      .enum(['lose', 'win', 'grade'])
      .describe('A limit reached exactly counts as reached. Grade: won if the attempt earns a star, else lost.'),
  })
  .meta({ id: 'Clock', title: 'Clock' });
export type Clock = z.infer<typeof Clock>;
