import { z } from 'zod';
import { LevelBout, Meetings } from './bout.ts';
import { Clock } from './clock.ts';
import { Ending } from './ending.ts';
import { GroundEntry, type Ground } from './ground.ts';
import { Id } from './ids.ts';
import { keyed } from './keyed.ts';
import { Limits } from '../values/limits.ts';
import { Name } from './name.ts';
import { Note } from './note.ts';
import { RuleEntry, type Rule } from './rule.ts';
import { Stars } from './stars.ts';

export const LevelEntry = z
  .strictObject({
    name: Name(Limits.nameLength, 'A level needs a name.'),
    brief: z
      .string()
      .max(Limits.textLength)
      .describe('One line: what the player has to do. While it is empty, it follows the rules that win.'),
    briefFor: z
      .string()
      .max(Limits.textLength)
      .optional()
      .describe('What the rules that win said when the brief was written by hand.'),
    ground: GroundEntry,
    rules: keyed(RuleEntry, Limits.rules, 'rules in a level'),
    standingRulesOff: z.record(Id, z.literal(true)).describe('Standing rules that are switched off here, by id.'),
    clock: Clock,
    stars: Stars,
    tie: z.enum(['win', 'loss']).describe('What stands when a win and a loss fire in the same tick.'),
    ending: Ending,
    bout: LevelBout.optional().describe('The level is decided by this fight; its ground is kept and not played.'),
    meetings: Meetings.optional().describe('Bouts on the way through the level.'),
    note: Note,
  })
  .meta({ title: 'Level' });
export type LevelEntry = z.infer<typeof LevelEntry>;

/** As it is read: with its id, its rules and pieces in lists. */
export interface Level extends Omit<LevelEntry, 'ground' | 'rules' | 'standingRulesOff'> {
  id: Id;
  ground: Ground;
  rules: Rule[];
  /** Ids of standing rules that are switched off here. */
  standingRulesOff: Id[];
}
