import { z } from 'zod';
import { Amount } from './amount.ts';
import { Id } from './ids.ts';
import { keyed, Order, type Listed } from './keyed.ts';
import { Name } from './name.ts';
import { Note } from './note.ts';
import { Shape } from './parameter.ts';

/** A number that fighters have. Formulas of actions read it by its key. */
export const StatisticEntry = z
  .strictObject({
    order: Order,
    name: Name(),
    role: z
      .enum(['lost', 'strikes', 'protects', 'first', 'other'])
      .describe('What is lost (none left: fallen), what strikes, what protects, who comes first, or anything else.'),
  })
  .meta({ id: 'Statistic', title: 'Statistic' });
export type Statistic = Omit<z.infer<typeof StatisticEntry>, 'order'> & { key: Id; order?: number };

const Share = z.number().min(0).max(1);

/** Something that a fighter can do in its turn. */
export const ActionEntry = z
  .strictObject({
    order: Order,
    name: Name(),
    strikes: z
      .enum(['one', 'all', 'itself', 'ally', 'allies'])
      .describe('One of the other side, all of it, who acts, one of the own side, or all of it.'),
    does: z.enum(['harm', 'heal']),
    formula: z
      .string()
      .regex(/\S/, 'A formula says something.')
      .max(500, 'A formula has at most 500 characters.')
      .describe('How much; mine(…) and theirs(…) read statistics. Rounded to a whole number, and never below 0.'),
    spread: Share.describe('So much of it more or less, evenly; 0 for none.'),
    chance: Share.describe('That it hits at all.'),
    element: Id.optional().describe('What it is made of; nothing when absent.'),
    costs: z.record(Id, z.number().min(0).max(1e6)).describe('By statistic: what is spent on it.'),
    note: Note,
  })
  .meta({ title: 'Action' });
export type Action = Listed<z.infer<typeof ActionEntry>>;

const UseEntry = z.strictObject({
  weight: z.number().min(0).max(1000).describe('Against the other actions that can be used.'),
  belowHealth: Share.optional().describe('Only while no more than this share of what is lost is left.'),
  aboveHealth: Share.optional().describe('Only while more than this share of it is left.'),
  everyTurns: z.number().int().min(1).max(100).optional().describe('Only every so many turns of its own.'),
});

const OwnStatistic = z.union([
  Amount,
  z.strictObject({ from: z.literal('growth'), shape: Shape }).describe('By its level, from 1 to 99.'),
]);

/** Somebody who fights: one of the party, or a kind of enemy. */
export const FighterEntry = z
  .strictObject({
    order: Order,
    name: Name(),
    side: z.enum(['ours', 'theirs']),
    like: z
      .strictObject({
        fighter: Id,
        changes: z.record(
          Id,
          z.strictObject({ times: z.number().min(0).max(1000), plus: z.number().min(-1e6).max(1e6) }),
        ),
      })
      .optional()
      .describe('Statistics are those of another, each times a factor and plus a number where one is given.'),
    statistics: z.record(Id, OwnStatistic).describe('By key; what is not given is that of the other, or 0.'),
    worn: z
      .array(z.strictObject({ name: Name(), plus: z.record(Id, z.number().min(-1e6).max(1e6)) }))
      .max(20)
      .describe('Things that add to its statistics.'),
    uses: z.record(Id, UseEntry).describe('What it can do, by action.'),
    takes: z
      .record(Id, z.number().min(0).max(10))
      .describe('By element: the share of harm that reaches it; 1 where none is given.'),
    gives: z
      .strictObject({
        experience: Amount,
        coins: Amount,
        things: z.array(z.strictObject({ name: Name(), chance: Share })).max(20),
      })
      .optional()
      .describe('What beating it brings.'),
    note: Note,
  })
  .meta({ title: 'Fighter' });
export type Fighter = Listed<z.infer<typeof FighterEntry>>;

/** Enemies that are met together. */
export const GroupEntry = z
  .strictObject({
    order: Order,
    name: Name(),
    members: z
      .array(z.strictObject({ fighter: Id, count: Amount }))
      .min(1, 'A group has somebody in it.')
      .max(8, 'A group has at most 8 members.'),
  })
  .meta({ title: 'Group' });
export type Group = Listed<z.infer<typeof GroupEntry>>;

/** Whom a party meets on its way through a level, and how often. */
export const Meetings = z
  .strictObject({
    groups: z.record(Id, Share).describe('By group: its share of the meetings, against the other shares.'),
    many: Amount.describe('Meetings on the way through, on average; at most so many where `every` is given.'),
    every: Amount.optional().describe('Units of way to one meeting, on average.'),
    zones: z
      .array(Id)
      .min(1, 'A meeting at a zone names one.')
      .max(20, 'At most 20 zones have a meeting.')
      .optional()
      .describe('Goals and zones in each of which there is one meeting, when it is first entered; then no others.'),
    mayWithdraw: z.boolean(),
    whenLost: z.enum(['lost', 'goOn']).describe('What a lost bout means: the level is lost, or it goes on.'),
  })
  .meta({ title: 'Meetings' });
export type Meetings = z.infer<typeof Meetings>;

/** The fight that decides a level in place of its ground. */
export const LevelBout = z
  .strictObject({
    group: Id.describe('Who is met.'),
    party: z
      .array(z.strictObject({ fighter: Id, level: Amount.describe('Its level, from 1 to 99, as a whole number.') }))
      .min(1, 'A party has somebody in it.')
      .max(8, 'A party has at most 8 members.'),
  })
  .meta({ title: 'Bout of a level' });
export type LevelBout = z.infer<typeof LevelBout>;

/** All that fights of a game are made of. */
export const BoutsEntry = z
  .strictObject({
    statistics: keyed(StatisticEntry, 24, 'statistics').describe('By key, as formulas read them.'),
    elements: keyed(z.strictObject({ order: Order, name: Name() }), 24, 'elements'),
    actions: keyed(ActionEntry, 200, 'actions'),
    fighters: keyed(FighterEntry, 200, 'fighters'),
    groups: keyed(GroupEntry, 200, 'groups'),
    order: z
      .enum(['rounds', 'gauges'])
      .describe('All choose and the swiftest acts first, or each acts as its gauge fills.'),
    turnSeconds: z
      .number()
      .min(0.1)
      .max(60)
      .optional()
      .describe('Seconds that the turn of one fighter takes on the clock; 2 when absent.'),
    experience: Shape.describe('Experience needed from each level to the next, over the level.'),
  })
  .meta({ title: 'Bouts' });
export type BoutsEntry = z.infer<typeof BoutsEntry>;

/** The same as it is read. */
export interface Bouts extends Omit<BoutsEntry, 'statistics' | 'elements' | 'actions' | 'fighters' | 'groups'> {
  statistics: Statistic[];
  elements: Listed<BoutsEntry['elements'][string]>[];
  actions: Action[];
  fighters: Fighter[];
  groups: Group[];
}
