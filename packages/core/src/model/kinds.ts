import { z } from 'zod';
import { Amount } from './amount.ts';
import { Id } from './ids.ts';
import { Limits } from './limits.ts';

const named = { id: Id, name: z.string().regex(/\S/, 'This needs a name.').max(Limits.nameLength) };

export const CollectableKind = z.strictObject({ ...named, worth: Amount.describe('Points for gathering one.') });
export type CollectableKind = z.infer<typeof CollectableKind>;

const body = {
  ...named,
  speed: Amount.describe('Units per second.'),
  radius: z.number().min(0.1).max(2).describe('Units.'),
  damage: Amount.optional().describe('Health lost at each touch; none when absent.'),
  health: Amount.optional().describe('It can be beaten by so much damage; not at all when absent.'),
  phases: z
    .array(z.number().gt(0).lt(1))
    .max(8)
    .optional()
    .describe('Shares of its health, falling: at each it enters the next phase.'),
};

export const EnemyKind = z.discriminatedUnion('movement', [
  z.strictObject({
    ...body,
    movement: z.literal('chase'),
    sight: Amount.describe('Units: it follows a player it can see within this distance, else goes home.'),
  }),
  z.strictObject({ ...body, movement: z.literal('patrol') }),
  z.strictObject({ ...body, movement: z.literal('still') }),
]);
export type EnemyKind = z.infer<typeof EnemyKind>;

export const HazardKind = z.strictObject({
  ...named,
  damage: Amount.describe('Health lost, as “acts” says; 0 where only rules act on a touch.'),
  acts: z.enum(['atTouch', 'perSecond']),
});
export type HazardKind = z.infer<typeof HazardKind>;

export const Kinds = z
  .strictObject({
    collectables: z.array(CollectableKind).max(Limits.kinds),
    enemies: z.array(EnemyKind).max(Limits.kinds),
    hazards: z.array(HazardKind).max(Limits.kinds),
  })
  .meta({ title: 'Kinds' });
export type Kinds = z.infer<typeof Kinds>;
