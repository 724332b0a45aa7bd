import { z } from 'zod';
import { Amount } from './amount.ts';
import { Id } from './ids.ts';
import { Limits } from '../values/limits.ts';
import { Reading } from './reading.ts';

export const Comparison = z.enum(['atLeast', 'moreThan', 'atMost', 'lessThan', 'exactly', 'not']);
export type Comparison = z.infer<typeof Comparison>;

/** How the conditions of a group join. */
export const GroupKind = z.enum(['all', 'any', 'none', 'atLeast', 'inOrder']);
export type GroupKind = z.infer<typeof GroupKind>;

interface Group {
  id: Id;
  is: GroupKind;
  of: Condition[];
  /** How many of them it takes; only for “at least … of”, 1 when absent. */
  count?: Amount | undefined;
}

const Compare = z.strictObject({
  id: Id,
  is: z.literal('compare'),
  reading: Reading,
  comparison: Comparison,
  amount: Amount,
  heldSeconds: Amount.optional().describe('True only once it has held for this long.'),
});

const OnOff = z.strictObject({
  id: Id,
  is: z.literal('onOff'),
  reading: Reading,
  on: z.boolean(),
  heldSeconds: Amount.optional().describe('True only once it has held for this long.'),
});

/** A test of the attempt: a comparison, an on/off reading, or a group of conditions. */
export type Condition = z.infer<typeof Compare> | z.infer<typeof OnOff> | Group;

export const Condition: z.ZodType<Condition> = z
  .lazy(() =>
    z.discriminatedUnion('is', [
      Compare,
      OnOff,
      z.strictObject({
        id: Id,
        is: GroupKind.describe('“In order”: each becomes true after the one before it.'),
        of: z
          .array(Condition)
          .max(Limits.conditionsInAGroup, 'At most 20 conditions in a group: put some in a group of their own.'),
        count: Amount.optional().describe('For “atLeast”: how many of them it takes.'),
      }),
    ]),
  )
  .meta({ id: 'Condition', title: 'Condition' });
