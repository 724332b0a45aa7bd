import { z } from 'zod';
import { Condition } from './condition.ts';
import { Effect } from './effect.ts';
import { Id } from './ids.ts';

/** A condition and what follows from it. */
export const Rule = z
  .strictObject({
    id: Id,
    when: Condition,
    then: z.array(Effect).min(1, 'A rule needs something that follows from it.').max(10),
    fires: z.enum(['once', 'eachTime']).describe('Each time means each time the condition becomes true.'),
  })
  .meta({ title: 'Rule' });
export type Rule = z.infer<typeof Rule>;
