import { z } from 'zod';
import { Amount } from './amount.ts';
import { Condition } from './condition.ts';
import { Effect } from './effect.ts';
import { Id } from './ids.ts';
import { Order, type Listed } from './keyed.ts';
import { Note } from './note.ts';

/** A condition and what follows from it. */
export const RuleEntry = z
  .strictObject({
    order: Order,
    when: Condition,
    then: z.array(Effect).min(1, 'A rule needs something that follows from it.').max(10),
    fires: z
      .enum(['once', 'eachTime', 'every'])
      .describe(
        'Each time: each time the condition becomes true. Every: then, and every so many seconds while it holds.',
      ),
    everySeconds: Amount.optional().describe('For “every”; 1 when absent.'),
    off: z.literal(true).optional().describe('Switched off: it stands in the document and does nothing.'),
    replaces: Id.optional().describe('The standing rule whose place this one takes in its level.'),
    note: Note,
  })
  .meta({ id: 'Rule', title: 'Rule' });
export type Rule = Listed<z.infer<typeof RuleEntry>>;
