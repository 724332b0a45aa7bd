import { z } from 'zod';
import { Amount } from './amount.ts';
import { Id } from './ids.ts';
import { Order, type Listed } from './keyed.ts';
import { Limits } from '../values/limits.ts';
import { Name } from './name.ts';

/** One place in the sequence; the same level may stand in several. */
export const SlotEntry = z
  .strictObject({
    order: Order,
    levelId: Id,
    wanted: z
      .number()
      .min(0, 'A share is at least 0 %.')
      .max(1, 'A share is at most 100 %.')
      .optional()
      .describe('The clear rate the designer wants here.'),
    starGate: Amount.optional().describe('Opens only with so many stars gathered, besides what the sequence asks.'),
  })
  .meta({ title: 'Slot' });
export type Slot = Listed<z.infer<typeof SlotEntry>>;

/** A named band of positions with an inclusive lower bound; it ends where the next begins. */
export const TierEntry = z
  .strictObject({
    name: Name(),
    from: z
      .number()
      .int()
      .min(1)
      .max(Limits.slots + 1),
  })
  .meta({ title: 'Tier' });
export type Tier = Listed<z.infer<typeof TierEntry>>;

/** A named band of a reading during the attempt, from an inclusive lower bound to where the next begins. */
export const LiveTierEntry = z
  .strictObject({
    name: Name(),
    from: z.number().int('A tier starts at a whole number.').min(0).max(1_000_000),
  })
  .meta({ title: 'Live tier' });
export type LiveTier = Listed<z.infer<typeof LiveTierEntry>>;
