import { z } from 'zod';
import { Id } from './ids.ts';

const collectable = Id.describe('A kind of collectable, or "any".');
const enemy = Id.describe('A kind of enemy, or "any".');

/** Something a rule can read. How each is computed, its unit and the direction it can move in: rules/readings. */
export const Reading = z
  .discriminatedUnion('reading', [
    z.strictObject({ reading: z.literal('score') }),
    z.strictObject({ reading: z.literal('worth'), of: collectable }),
    z.strictObject({ reading: z.literal('collected'), of: collectable }),
    z.strictObject({ reading: z.literal('left'), of: collectable }),
    z.strictObject({ reading: z.literal('enemiesLeft'), of: enemy }),
    z.strictObject({ reading: z.literal('enemiesBeaten'), of: enemy }),
    z.strictObject({ reading: z.literal('lives') }),
    z.strictObject({ reading: z.literal('health') }),
    z.strictObject({ reading: z.literal('tries') }),
    z.strictObject({ reading: z.literal('timeElapsed') }),
    z.strictObject({ reading: z.literal('timeLeft') }),
    z.strictObject({ reading: z.literal('height') }),
    z.strictObject({ reading: z.literal('distance') }),
    z.strictObject({ reading: z.literal('tally'), tally: Id.describe('One of the project’s own tallies.') }),
    z.strictObject({ reading: z.literal('phase'), piece: Id.describe('An enemy on the ground.') }),
    z.strictObject({ reading: z.literal('latch'), latch: Id.describe('A latch on the ground.') }),
    z.strictObject({ reading: z.literal('gate'), gate: Id.describe('A gate on the ground: on while it is open.') }),
    z.strictObject({ reading: z.literal('inside'), zone: Id.describe('A goal or a zone on the ground.') }),
    z.strictObject({ reading: z.literal('touching'), kind: Id.describe('A kind of enemy or of hazard.') }),
    z.strictObject({ reading: z.literal('offGround') }),
    z.strictObject({ reading: z.literal('crossings') }),
    z.strictObject({ reading: z.literal('row') }),
    z.strictObject({ reading: z.literal('onFloor') }),
    z.strictObject({ reading: z.literal('fallSpeed') }),
    z.strictObject({ reading: z.literal('climbRate') }),
    z.strictObject({ reading: z.literal('touchingWall') }),
    z.strictObject({ reading: z.literal('sectionsPassed') }),
    z.strictObject({ reading: z.literal('blocked') }),
    z.strictObject({ reading: z.literal('sideBeaten'), side: z.enum(['ours', 'theirs']) }),
    z.strictObject({ reading: z.literal('rounds') }),
    z.strictObject({ reading: z.literal('fallen') }),
    z.strictObject({ reading: z.literal('healthShare'), fighter: Id.describe('A fighter of the project.') }),
  ])
  .meta({ id: 'Reading', title: 'Reading' });
export type Reading = z.infer<typeof Reading>;
export type ReadingName = Reading['reading'];
