import { z } from 'zod';
import { Amount } from './amount.ts';
import { Id } from './ids.ts';
import { Order, type Listed } from './keyed.ts';
import { Look } from './kinds.ts';
import { Limits } from '../values/limits.ts';
import { Name } from './name.ts';

/** A point on the ground, in units from its upper left corner; the middle of the first cell is 0.5, 0.5. */
export const Place = z.strictObject({
  x: z.number().min(0).max(Limits.groundWidth),
  y: z.number().min(0).max(Limits.groundHeight),
});
export type Place = z.infer<typeof Place>;

const placed = { order: Order, at: Place };
/** For kinds that walk, cross or circle. */
const heading = z
  .number()
  .min(0)
  .max(360)
  .optional()
  .describe(
    'Degrees in which an enemy sets out, 0 right (when absent), 90 down; for one that circles, where it begins.',
  );
const name = Name();
/** An area from its upper left corner. */
const area = {
  width: z.number().min(0.5).max(Limits.groundWidth),
  height: z.number().min(0.5).max(Limits.groundHeight),
};

/** For pieces without a kind, and for spawners: a mark drawn on the piece. */
const look = Look.optional().describe('A mark of its own, drawn on it.');

/** A thing placed on a ground. */
export const PieceEntry = z
  .discriminatedUnion('piece', [
    z.strictObject({ ...placed, piece: z.literal('start') }),
    z.strictObject({ ...placed, piece: z.literal('checkpoint'), name }),
    z.strictObject({ ...placed, piece: z.literal('goal'), name, look, ...area }),
    z.strictObject({ ...placed, piece: z.literal('zone'), name, look, ...area }),
    z.strictObject({
      ...placed,
      piece: z.literal('collectable'),
      kind: Id,
      hidden: z.literal(true).optional().describe('Neither seen nor gathered until a milestone reveals it.'),
    }),
    z.strictObject({ ...placed, piece: z.literal('hazard'), kind: Id, ...area }),
    z.strictObject({
      ...placed,
      piece: z.literal('enemy'),
      kind: Id,
      path: z.array(Place).max(30).optional().describe('Where a patrol goes after its place, in turn, and back again.'),
      heading,
    }),
    z.strictObject({
      ...placed,
      piece: z.literal('spawner'),
      kind: Id,
      look,
      starts: z.enum(['load', 'milestone']).describe('By itself, or as a wave that a milestone sends.'),
      heading,
      howMany: Amount,
      firstAfterSeconds: Amount,
      everySeconds: Amount,
      safeDistance: z.number().min(0).max(30).describe('Units: it sends none nearer to the player.'),
      spread: z
        .strictObject(area)
        .optional()
        .describe('Sends them anywhere in this area around its place; at its place when absent.'),
    }),
    z.strictObject({
      ...placed,
      piece: z.literal('latch'),
      name,
      opens: z.array(Id).max(20).describe('Gates that open when it is first touched.'),
    }),
    z.strictObject({
      ...placed,
      piece: z.literal('gate'),
      name,
      width: z.number().int('A gate covers whole cells.').min(1).max(Limits.groundWidth),
      height: z.number().int('A gate covers whole cells.').min(1).max(Limits.groundHeight),
      open: z.boolean().describe('At the start.'),
    }),
    z.strictObject({
      ...placed,
      piece: z.literal('emitter'),
      kind: Id.describe('The kind of hazard that its shots are.'),
      aim: z
        .union([z.literal('player'), z.number().min(0).max(360)])
        .describe('At the player, or degrees: 0 right, 90 down.'),
      everySeconds: Amount,
      speed: Amount.describe('Units per second.'),
      reach: Amount.describe('Units until a shot is spent.'),
    }),
    z.strictObject({
      ...placed,
      piece: z.literal('lane'),
      kind: Id.describe('What drives there.'),
      towards: z.enum(['right', 'down', 'left', 'up']).describe('It is the row, or the column, of its place.'),
      length: z.number().min(0.5).max(12).describe('Units of the lane that one takes.'),
      speed: Amount.describe('Units per second. Below 0 it drives the other way; at 0 it stands.'),
      spacing: z
        .enum(['seconds', 'units'])
        .describe('What “every” counts: seconds between two that come, or units of gap.'),
      every: Amount,
      jitter: z.number().min(0).max(0.9).describe('Share by which that is more or less, drawn for each.'),
      carries: z.literal(true).optional().describe('Who stands on one moves along, and has ground under them.'),
    }),
  ])
  .meta({ id: 'Piece', title: 'Piece' });
export type Piece = Listed<z.infer<typeof PieceEntry>>;
export type PieceName = Piece['piece'];

/** A piece that can have a mark of its own. */
export type MarkedPiece = Extract<Piece, { piece: 'goal' | 'zone' | 'spawner' }>;
