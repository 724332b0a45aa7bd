import { z } from 'zod';
import { PROJECT_FORMAT, PROJECT_VERSION } from '../values/format.ts';
import { Amount } from './amount.ts';
import { BoutsEntry, type Bouts } from './bout.ts';
import { ExpectationEntry, type Expectation } from './expectation.ts';
import { Id } from './ids.ts';
import { keyed } from './keyed.ts';
import { KindsEntry, type Kinds } from './kinds.ts';
import { LevelEntry, type Level } from './level.ts';
import { Limits } from '../values/limits.ts';
import { Name } from './name.ts';
import { PacerEntry, type Pacer } from './pacer.ts';
import { LiveAxis, ParameterEntry, Ramp, type Parameter } from './parameter.ts';
import { RuleEntry, type Rule } from './rule.ts';
import { Run, ScorePartEntry, TallyEntry, type ScorePart, type Tally } from './run.ts';
import { LiveTierEntry, SlotEntry, TierEntry, type LiveTier, type Slot, type Tier } from './sequence.ts';

/** A finding that is left as it is, with the reason. */
const LeftEntry = z
  .strictObject({
    code: z.string().min(1).max(60).describe('The class of the finding.'),
    slotId: Id.describe('The slot that it was told at.'),
    path: z.string().max(400).describe('JSON pointer to what it concerns.'),
    said: z.string().max(1000).describe('What it said, with its numbers: another saying is another finding.'),
    why: z.string().max(Limits.textLength).describe('Why it is left so.'),
  })
  .meta({ title: 'Finding left so' });
export type LeftSo = z.infer<typeof LeftEntry>;

/** Bands that are exhaustive by construction: each begins at a place of its own, the first at the first place there is. */
const bands = (tier: z.ZodType<z.infer<typeof TierEntry>>, first: number) =>
  keyed(tier, Limits.tiers, 'tiers').superRefine((tiers, context) => {
    const inOrder = Object.entries(tiers).toSorted(([, one], [, other]) => one.from - other.from);
    inOrder.forEach(([id, { name, from }], index) => {
      const before = inOrder[index - 1];
      const message =
        before === undefined
          ? from !== first && `The first tier starts at ${first === 1 ? 'position 1' : '0'}.`
          : from === before[1].from && `“${name}” must start after “${before[1].name}”.`;
      if (message !== false) context.addIssue({ code: 'custom', path: [id, 'from'], message });
    });
  });

/** How a body jumps that is seen from aside. */
const jumpNumbers = {
  gravity: Amount.describe('Units per second squared.'),
  jumpHeight: Amount.describe('Units that a jump reaches when held.'),
  shortHop: Amount.describe('Share of the speed upwards that is left when it is let go, 0–1.'),
  edgeGraceSeconds: Amount.describe('So long after an edge a press still counts.'),
  pressEarlySeconds: Amount.describe('So long before landing a press already counts.'),
  jumpsInAir: Amount.describe('How many more jumps before landing.'),
};

/** One game's design as it is stored, sent and edited. Collections are keyed by id, so that edits do not meet by a place in a list. */
export const ProjectDocument = z
  .strictObject({
    format: z.literal(PROJECT_FORMAT),
    version: z.literal(PROJECT_VERSION),
    name: Name(Limits.nameLength, 'A project needs a name.'),
    words: z
      .strictObject({
        player: Name(40),
        worth: Name(40),
      })
      .describe('What this game calls its player and the points gathered.'),
    player: z.strictObject({
      moves: z
        .strictObject({
          roam: z.strictObject({
            speed: Amount.describe('Units per second.'),
            acceleration: Amount.describe('Units per second squared.'),
          }),
          leap: z
            .strictObject({
              speed: Amount.describe('Units per second, walking.'),
              acceleration: Amount.describe('Units per second squared.'),
              airControl: Amount.describe('Share of that in the air, 0–1.'),
              ...jumpNumbers,
            })
            .optional(),
          lift: z
            .strictObject({
              forward: Amount.describe('Units per second to the right, all the time; 0 for none.'),
              steer: Amount.describe('Units per second to the left or right as it is held; 0 for none.'),
              rise: Amount.describe('Units per second squared upwards while held.'),
              gravity: Amount.describe('Units per second squared downwards else.'),
              mostUp: Amount.describe('Units per second.'),
              mostDown: Amount.describe('Units per second.'),
            })
            .optional(),
          run: z
            .strictObject({
              speed: Amount.describe('Units per second to the right, all the time.'),
              tall: Amount.describe('Units that it is high; half of that while it slides.'),
              ...jumpNumbers,
            })
            .optional(),
          cross: z
            .strictObject({
              stepSeconds: Amount.describe('Seconds from one cell to the next.'),
              restSeconds: Amount.describe('Seconds before the next step.'),
            })
            .optional(),
        })
        .describe('How it moves, by kind of ground.'),
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
    score: keyed(ScorePartEntry, 12, 'parts of a score').describe(
      'What the score is made of, besides what milestones add.',
    ),
    tallies: keyed(TallyEntry, Limits.tallies, 'tallies in a project'),
    standing: keyed(RuleEntry, Limits.rules, 'standing rules').describe('Standing rules: they hold in every level.'),
    run: Run,
    kinds: KindsEntry,
    bouts: BoutsEntry.optional().describe('Fights by turns, where the game has them.'),
    parameters: keyed(ParameterEntry, Limits.parameters, 'parameters in a project').describe('By key.'),
    tiers: bands(TierEntry, 1),
    liveTiers: z
      .partialRecord(LiveAxis, bands(LiveTierEntry, 0))
      .optional()
      .describe('Tiers over readings of the attempt, for ramps along them.'),
    levels: keyed(LevelEntry, Limits.levels, 'levels in a project'),
    expectations: keyed(ExpectationEntry, Limits.expectations, 'expectations in a project'),
    slots: keyed(SlotEntry, Limits.slots, 'slots in a sequence'),
    pacers: keyed(PacerEntry, Limits.pacers, 'pacers in a project').refine(
      (pacers) => Object.keys(pacers).length > 0,
      'A project needs a pacer.',
    ),
    audience: z
      .record(Id, z.number().min(0).max(1))
      .optional()
      .describe('Who plays the game: shares of players, by pacer.'),
    leftSo: keyed(LeftEntry, Limits.leftSo, 'findings left as they are')
      .optional()
      .describe('Findings that the designer leaves as they are: they count no more until their numbers change.'),
    wantedLine: Ramp.optional().describe('The clear rates that the designer wants, as a ramp over the sequence.'),
  })
  .meta({ title: 'Stadion project' });
export type ProjectDocument = z.infer<typeof ProjectDocument>;

type Keyed =
  | 'score'
  | 'tallies'
  | 'standing'
  | 'kinds'
  | 'bouts'
  | 'parameters'
  | 'tiers'
  | 'liveTiers'
  | 'levels'
  | 'expectations'
  | 'slots'
  | 'pacers';

/** One game's design as it is read: collections in lists, in their order. */
export interface Project extends Omit<ProjectDocument, Keyed> {
  score: ScorePart[];
  tallies: Tally[];
  standing: Rule[];
  kinds: Kinds;
  bouts?: Bouts | undefined;
  parameters: Parameter[];
  tiers: Tier[];
  liveTiers?: Partial<Record<LiveAxis, LiveTier[]>> | undefined;
  levels: Record<Id, Level>;
  expectations: Expectation[];
  slots: Slot[];
  pacers: Pacer[];
}
