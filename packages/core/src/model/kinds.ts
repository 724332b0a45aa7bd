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
};

export const EnemyKind = z.discriminatedUnion('movement', [
  z.strictObject({
    ...body,
    movement: z.literal('chase'),
    sight: Amount.describe('Units: it follows a player it can see within this distance, else goes home.'),
  }),
  z.strictObject({ ...body, movement: z.literal('patrol') }),
]);
export type EnemyKind = z.infer<typeof EnemyKind>;

export const Kinds = z
  .strictObject({
    collectables: z.array(CollectableKind).max(Limits.kinds),
    enemies: z.array(EnemyKind).max(Limits.kinds),
  })
  .meta({ title: 'Kinds' });
export type Kinds = z.infer<typeof Kinds>;
