import { z } from 'zod';
import { Amount } from './amount.ts';
import { Id } from './ids.ts';
import { keyed, Order, type Listed } from './keyed.ts';
import { Limits } from '../values/limits.ts';
import { Name } from './name.ts';
import { Note } from './note.ts';

/** How a kind is drawn, everywhere alike. */
export const Look = z.strictObject({
  mark: Id.describe('One of the marks that Stadion draws.'),
  colour: Id.describe('One of the colours of its palette, by role.'),
});
export type Look = z.infer<typeof Look>;

const named = {
  order: Order,
  name: Name(),
  look: Look.optional(),
  note: Note,
};

export const CollectableEntry = z.strictObject({ ...named, worth: Amount.describe('Points for gathering one.') });
export type CollectableKind = Listed<z.infer<typeof CollectableEntry>>;

const body = {
  ...named,
  speed: Amount.describe('Units per second.'),
  radius: z.number().min(0.1).max(2).describe('Units.'),
  damage: Amount.optional().describe('Health lost at each touch; none when absent.'),
  health: Amount.optional().describe('It can be beaten by so much damage; not at all when absent.'),
  fromAbove: z.literal(true).optional().describe('One who falls onto it beats it, and bounces.'),
  phases: z
    .array(z.number().gt(0).lt(1))
    .max(8)
    .optional()
    .describe('Shares of its health, falling: at each it enters the next phase.'),
};

export const EnemyEntry = z.discriminatedUnion('movement', [
  z.strictObject({
    ...body,
    movement: z.literal('chase'),
    sight: Amount.describe('Units: it follows a player it can see within this distance, else goes home.'),
  }),
  z.strictObject({ ...body, movement: z.literal('patrol') }),
  z.strictObject({ ...body, movement: z.literal('still') }),
  z.strictObject({
    ...body,
    movement: z.literal('walk').describe('Straight on, and back where walls or the ground end it.'),
  }),
  z.strictObject({
    ...body,
    movement: z.literal('cross').describe('Straight across everything, and in again from the other side.'),
  }),
  z.strictObject({ ...body, movement: z.literal('fall').describe('Down to what stops it, and from its place again.') }),
  z.strictObject({
    ...body,
    movement: z.literal('circle'),
    distance: z.number().min(0.1).max(20).describe('Units: how far from its place it goes round.'),
  }),
]);
export type EnemyKind = Listed<z.infer<typeof EnemyEntry>>;

export const HazardEntry = z.strictObject({
  ...named,
  damage: Amount.describe('Health lost, as “acts” says; 0 where only rules act on a touch.'),
  acts: z.enum(['atTouch', 'perSecond']),
});
export type HazardKind = Listed<z.infer<typeof HazardEntry>>;

export const KindsEntry = z
  .strictObject({
    collectables: keyed(CollectableEntry, Limits.kinds, 'kinds of collectables'),
    enemies: keyed(EnemyEntry, Limits.kinds, 'kinds of enemies'),
    hazards: keyed(HazardEntry, Limits.kinds, 'kinds of hazards'),
  })
  .meta({ title: 'Kinds' });
export interface Kinds {
  collectables: CollectableKind[];
  enemies: EnemyKind[];
  hazards: HazardKind[];
}
