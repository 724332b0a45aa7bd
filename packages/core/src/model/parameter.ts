import { z } from 'zod';
import { Id } from './ids.ts';
import { Limits } from './limits.ts';

export const NumberKind = z.enum(['real', 'whole', 'seconds', 'share']);
export type NumberKind = z.infer<typeof NumberKind>;

/** A ramp's course over the sequence before its modifiers; what each means exactly: ramps/shapes. */
export const Shape = z
  .discriminatedUnion('type', [
    z.strictObject({ type: z.literal('hold'), value: z.number() }),
    z.strictObject({
      type: z.literal('steps'),
      from: z.number(),
      add: z.number(),
      every: z
        .number()
        .int('A step comes every whole number of levels.')
        .min(1, 'A step comes every 1 level at the soonest.')
        .max(1000),
      startingAt: z.number().int('Levels are counted in whole numbers.').min(1, 'The first level is 1.').max(1000),
    }),
  ])
  .meta({ title: 'Shape' });
export type Shape = z.infer<typeof Shape>;
export type ShapeType = Shape['type'];

/** Shape, then at most / at least, then rounding. */
export const Ramp = z
  .strictObject({
    shape: Shape,
    atMost: z.number().optional(),
    atLeast: z.number().optional(),
    roundTo: z.number().positive('Rounding is to a multiple above 0.').optional(),
  })
  .refine((ramp) => ramp.atMost === undefined || ramp.atLeast === undefined || ramp.atLeast <= ramp.atMost, {
    path: ['atLeast'],
    message: '“At least” must not be above “at most”.',
  })
  .meta({ title: 'Ramp' });
export type Ramp = z.infer<typeof Ramp>;

/** A number that varies over the sequence. */
export const Parameter = z
  .strictObject({
    key: Id,
    label: z.string().regex(/\S/, 'A parameter needs a name.').max(Limits.nameLength),
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
export type Parameter = z.infer<typeof Parameter>;
