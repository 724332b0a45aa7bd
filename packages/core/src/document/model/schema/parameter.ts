import { z } from 'zod';
import { Id } from './ids.ts';
import { Order } from './keyed.ts';
import { Limits } from '../values/limits.ts';
import { Name } from './name.ts';

export const NumberKind = z.enum(['real', 'whole', 'seconds', 'share']);
export type NumberKind = z.infer<typeof NumberKind>;

/** Readings of the attempt along which a ramp can go instead of along the sequence. */
export const LiveAxis = z.enum(['score', 'collected', 'timeElapsed', 'distance', 'sectionsPassed']);
export type LiveAxis = z.infer<typeof LiveAxis>;

/** Along the sequence one counts levels; along a reading, whatever it is measured in. */
const FURTHEST = 1_000_000;
const stepEvery = z
  .number()
  .int('A step comes every whole number of levels.')
  .min(1, 'A step comes every 1 level at the soonest.')
  .max(FURTHEST);
const stepStart = z.number().int('Levels are counted in whole numbers.').min(0).max(FURTHEST);

/** A ramp's course over the sequence before its modifiers; what each means exactly: ramps/shapes. */
export const Shape = z
  .discriminatedUnion('type', [
    z.strictObject({ type: z.literal('hold'), value: z.number() }),
    z.strictObject({
      type: z.literal('steps'),
      from: z.number(),
      add: z.number(),
      every: stepEvery,
      startingAt: stepStart,
    }),
    z.strictObject({
      type: z.literal('growth'),
      from: z.number(),
      rate: z.number().gt(-1, 'It cannot shrink by all of itself.').max(10).describe('Share added at every step.'),
      every: stepEvery,
      startingAt: stepStart,
    }),
    z.strictObject({
      type: z.literal('ease'),
      from: z.number(),
      to: z.number(),
      halfway: z.number().positive('It takes some levels to come half the way.').max(FURTHEST),
    }),
    z.strictObject({
      type: z.literal('sCurve'),
      from: z.number(),
      to: z.number(),
      middle: z.number().min(-FURTHEST).max(FURTHEST).describe('The position at which it is half the way.'),
      width: z
        .number()
        .positive('It takes some levels.')
        .max(FURTHEST)
        .describe('Levels it would take at its steepest.'),
    }),
    z.strictObject({
      type: z.literal('points'),
      between: z.enum(['hold', 'straight', 'smooth']),
      points: z
        .array(z.strictObject({ position: z.number().int().min(0).max(FURTHEST), value: z.number() }))
        .min(1, 'A ramp through points has one at least.')
        .max(200, 'At most 200 points in a ramp.')
        .superRefine((points, context) => {
          points.forEach((point, index) => {
            const before = points[index - 1];
            if (before && point.position <= before.position)
              context.addIssue({
                code: 'custom',
                path: [index, 'position'],
                message: `The point at ${point.position} must come after the one at ${before.position}.`,
              });
          });
        }),
    }),
    z.strictObject({
      type: z.literal('tiers'),
      first: z.number().describe('The value until a tier has one of its own.'),
      values: z.record(Id, z.number()).describe('By tier id; a tier without one goes on with the one before it.'),
    }),
    z.strictObject({
      type: z.literal('formula'),
      text: z.string().regex(/\S/, 'A formula says something.').max(500, 'A formula has at most 500 characters.'),
    }),
  ])
  .meta({ id: 'Shape', title: 'Shape' });
export type Shape = z.infer<typeof Shape>;
export type ShapeType = Shape['type'];

/** Levels made easier, or harder, on purpose: at an interval, from one on. */
export const Breather = z
  .strictObject({
    every: z.number().int().min(2, 'A breather comes every second level at the soonest.').max(1000),
    startingAt: z.number().int().min(1, 'The first level is 1.').max(1000),
    takes: z
      .discriminatedUnion('is', [
        z.strictObject({ is: z.literal('times'), factor: z.number() }),
        z.strictObject({ is: z.literal('earlier'), levels: z.number().int().min(1).max(1000) }),
      ])
      .describe('The value times a factor, or the value of so many positions earlier.'),
  })
  .meta({ title: 'Breather' });
export type Breather = z.infer<typeof Breather>;

/** Shape, then breather, then at most / at least, then rounding. */
export const Ramp = z
  .strictObject({
    axis: LiveAxis.optional().describe('A reading of the attempt; the position in the sequence when absent.'),
    shape: Shape,
    breather: Breather.optional(),
    atMost: z.number().optional(),
    atLeast: z.number().optional(),
    roundTo: z.number().positive('Rounding is to a multiple above 0.').optional(),
  })
  .refine((ramp) => ramp.atMost === undefined || ramp.atLeast === undefined || ramp.atLeast <= ramp.atMost, {
    path: ['atLeast'],
    message: '“At least” must not be above “at most”.',
  })
  .refine((ramp) => ramp.axis === undefined || ramp.breather === undefined, {
    path: ['breather'],
    message: 'Breathers go by levels: a ramp along a reading has none.',
  })
  .refine((ramp) => ramp.axis !== undefined || !('startingAt' in ramp.shape) || ramp.shape.startingAt >= 1, {
    path: ['shape', 'startingAt'],
    message: 'The first level is 1.',
  })
  .refine(({ axis, shape }) => axis !== undefined || shape.type !== 'points' || shape.points[0]?.position !== 0, {
    path: ['shape', 'points', 0, 'position'],
    message: 'The first level is 1.',
  })
  .meta({ id: 'Ramp', title: 'Ramp' });
export type Ramp = z.infer<typeof Ramp>;

/** A number that varies over the sequence. */
export const ParameterEntry = z
  .strictObject({
    order: Order,
    label: Name(Limits.nameLength, 'A parameter needs a name.'),
    unit: z.string().max(40),
    number: NumberKind,
    sane: z
      .strictObject({ min: z.number(), max: z.number() })
      .refine((range) => range.min < range.max, { message: 'The sane range must have its lower end first.' }),
    ramp: Ramp,
    pins: z.record(Id, z.number()).describe('Values set by hand, by slot id.'),
    note: z.string().max(Limits.textLength),
  })
  .meta({ title: 'Parameter' });
/** As it is read: its key is its id, and the name that formulas call it by. */
export type Parameter = Omit<z.infer<typeof ParameterEntry>, 'order'> & { key: Id; order?: number };
