import { z } from 'zod';
import { Clock } from './clock.ts';
import { Ending } from './ending.ts';
import { Ground } from './ground.ts';
import { Id } from './ids.ts';
import { Limits } from './limits.ts';
import { Rule } from './rule.ts';
import { Stars } from './stars.ts';

export const Level = z
  .strictObject({
    id: Id,
    name: z.string().regex(/\S/, 'A level needs a name.').max(Limits.nameLength, 'A name has at most 80 characters.'),
    brief: z.string().max(Limits.textLength).describe('One line: what the player has to do.'),
    ground: Ground,
    rules: z.array(Rule).max(Limits.rules),
    without: z.array(Id).max(Limits.rules).describe('Standing rules that are switched off here.'),
    clock: Clock,
    stars: Stars,
    tie: z.enum(['win', 'loss']).describe('What stands when a win and a loss fire in the same tick.'),
    ending: Ending,
  })
  .meta({ title: 'Level' });
export type Level = z.infer<typeof Level>;
