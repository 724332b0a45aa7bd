import { z } from 'zod';
import { Id } from './ids.ts';
import type { Level } from './level.ts';
import { Limits } from './limits.ts';
import type { Project } from './project.ts';

/** One place in the sequence; the same level may stand in several. */
export const Slot = z
  .strictObject({
    id: Id,
    levelId: Id,
    wanted: z
      .number()
      .min(0, 'A share is at least 0 %.')
      .max(1, 'A share is at most 100 %.')
      .optional()
      .describe('The clear rate the designer wants here.'),
  })
  .meta({ title: 'Slot' });
export type Slot = z.infer<typeof Slot>;

/** A named band of positions with an inclusive lower bound; it ends where the next begins. */
export const Tier = z
  .strictObject({
    id: Id,
    name: z.string().regex(/\S/, 'This needs a name.').max(Limits.nameLength),
    from: z
      .number()
      .int()
      .min(1)
      .max(Limits.slots + 1),
  })
  .meta({ title: 'Tier' });
export type Tier = z.infer<typeof Tier>;

/** The slot's number from 1, or 0 when there is no such slot. */
export function positionOf(project: Project, slotId: string): number {
  return project.slots.findIndex((slot) => slot.id === slotId) + 1;
}

/** The level that a position names, or undefined beyond the sequence. */
export function levelAt(project: Project, position: number): Level | undefined {
  const slot = project.slots[position - 1];
  return slot && project.levels[slot.levelId];
}

/** The tier that holds a position, or undefined when there are none. */
export function tierAt(tiers: readonly Tier[], position: number): Tier | undefined {
  return tiers.findLast((tier) => tier.from <= position);
}
