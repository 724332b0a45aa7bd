import { z } from 'zod';
import { Amount } from './amount.ts';
import { Id } from './ids.ts';
import { Limits } from './limits.ts';

/** A point on the ground, in units from its upper left corner; the middle of the first cell is 0.5, 0.5. */
export const Place = z.strictObject({
  x: z.number().min(0).max(Limits.groundWidth),
  y: z.number().min(0).max(Limits.groundHeight),
});
export type Place = z.infer<typeof Place>;

const placed = { id: Id, at: Place };

/** A thing placed on a ground. */
export const Piece = z
  .discriminatedUnion('piece', [
    z.strictObject({ ...placed, piece: z.literal('start') }),
    z.strictObject({
      ...placed,
      piece: z.literal('goal'),
      name: z.string().regex(/\S/, 'This needs a name.').max(Limits.nameLength),
      width: z.number().min(0.5).max(Limits.groundWidth),
      height: z.number().min(0.5).max(Limits.groundHeight),
    }),
    z.strictObject({ ...placed, piece: z.literal('collectable'), kind: Id }),
    z.strictObject({
      ...placed,
      piece: z.literal('enemy'),
      kind: Id,
      path: z.array(Place).max(30).optional().describe('Where a patrol goes after its place, in turn, and back again.'),
    }),
    z.strictObject({
      ...placed,
      piece: z.literal('spawner'),
      kind: Id,
      howMany: Amount,
      firstAfterSeconds: Amount,
      everySeconds: Amount,
      safeDistance: z.number().min(0).max(30).describe('Units: it waits while the player is nearer.'),
    }),
  ])
  .meta({ title: 'Piece' });
export type Piece = z.infer<typeof Piece>;
