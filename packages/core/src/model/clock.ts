import { z } from 'zod';
import { Amount } from './amount.ts';

export const Clock = z
  .strictObject({
    limitSeconds: Amount.nullable().describe('No limit when null.'),
    starts: z.enum(['load', 'firstMove']),
    warnAtSeconds: Amount.nullable().describe('Warns when this much is left.'),
    atExpiry: z.enum(['lose', 'win']).describe('A limit reached exactly counts as reached.'),
  })
  .meta({ title: 'Clock' });
export type Clock = z.infer<typeof Clock>;
