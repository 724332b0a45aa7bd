import { z } from 'zod';
import { Amount } from './amount.ts';
import { Expectation } from './expectation.ts';
import { Id } from './ids.ts';
import { Kinds } from './kinds.ts';
import { Level } from './level.ts';
import { Limits } from './limits.ts';
import { LiveAxis, Parameter } from './parameter.ts';
import { Rule } from './rule.ts';
import { Run, ScorePart, Tally } from './run.ts';
import { LiveTier, Slot, Tier } from './sequence.ts';

export const PROJECT_FORMAT = 'stadion-project';
export const PROJECT_VERSION = 2;

/** Bands that are ordered and exhaustive by construction. */
const inOrder = <T extends typeof Tier | typeof LiveTier>(tier: T, first: number, message: string) =>
  z
    .array(tier)
    .max(Limits.tiers)
    .superRefine((tiers, context) => {
      tiers.forEach((entry, index) => {
        const before = tiers[index - 1];
        if (index === 0 ? entry.from !== first : before && entry.from <= before.from) {
          context.addIssue({
            code: 'custom',
            path: [index, 'from'],
            message: index === 0 ? message : `“${entry.name}” must start after the tier before it.`,
          });
        }
      });
    });

/** One game's design. Collections that people edit side by side are keyed by id; those whose order matters are lists. */
export const Project = z
  .strictObject({
    format: z.literal(PROJECT_FORMAT),
    version: z.literal(PROJECT_VERSION),
    name: z.string().regex(/\S/, 'A project needs a name.').max(Limits.nameLength),
    words: z
      .strictObject({
        player: z.string().regex(/\S/, 'This needs a name.').max(40),
        worth: z.string().regex(/\S/, 'This needs a name.').max(40),
      })
      .describe('What this game calls its player and the points gathered.'),
    player: z.strictObject({
      speed: Amount.describe('Units per second.'),
      acceleration: Amount.describe('Units per second squared.'),
      radius: z.number().min(0.1).max(0.49).describe('Units.'),
      graceSeconds: z
        .number()
        .min(0)
        .max(10)
        .describe('Nothing touches the player for this long after a life is lost.'),
      health: Amount.describe('At the start of an attempt and after healing at most.'),
      shooting: z
        .strictObject({
          aim: z
            .enum(['facing', 'nearest'])
            .describe('Where it faces, or at the nearest in reach and sight that can be beaten.'),
          everySeconds: Amount,
          speed: Amount.describe('Units per second.'),
          reach: Amount.describe('Units until a shot is spent.'),
          damage: Amount.describe('Health it takes from an enemy.'),
          ammunition: Amount.nullable().describe('Shots per attempt; without end when null.'),
        })
        .nullable()
        .describe('What the player shoots; null where it cannot.'),
    }),
    lengths: z
      .strictObject({
        metresPerUnit: z.number().positive().max(1000),
        shown: z.enum(['units', 'metres', 'feet']),
      })
      .describe('How heights and distances are typed and shown; they are kept in units.'),
    score: z.array(ScorePart).max(12).describe('What the score is made of, besides what milestones add.'),
    tallies: z.array(Tally).max(Limits.tallies),
    standing: z.array(Rule).max(Limits.rules).describe('Standing rules: they hold in every level.'),
    run: Run,
    kinds: Kinds,
    parameters: z.array(Parameter).max(Limits.parameters, 'At most 120 parameters in a project.'),
    tiers: inOrder(Tier, 1, 'The first tier starts at position 1.'),
    liveTiers: z
      .partialRecord(LiveAxis, inOrder(LiveTier, 0, 'The first tier starts at 0.'))
      .optional()
      .describe('Tiers over readings of the attempt, for ramps along them.'),
    levels: z.record(Id, Level),
    expectations: z.array(Expectation).max(Limits.expectations, 'At most 2000 expectations in a project.'),
    slots: z.array(Slot).max(Limits.slots, 'At most 1000 slots in a sequence.'),
  })
  .meta({ title: 'Stadion project' });
export type Project = z.infer<typeof Project>;
