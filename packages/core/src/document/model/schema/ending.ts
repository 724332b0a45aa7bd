import { z } from 'zod';
import { Amount } from './amount.ts';
import { Id } from './ids.ts';
import { Limits } from '../values/limits.ts';

/** Parts that may still move after the end; none by default. */
export const GoesOn = z.enum(['enemies', 'hazards', 'emitters']);
export type GoesOn = z.infer<typeof GoesOn>;

const EndingSide = z.strictObject({
  freezeSeconds: Amount.describe('Nothing moves for so long.'),
  goesOn: z.array(GoesOn).max(3).describe('What moves on after the freeze; nothing of it counts any more.'),
  message: z.string().max(Limits.textLength).describe('Shown after the freeze; none when empty.'),
  holdSeconds: Amount.describe('The message stands for so long.'),
  next: z.discriminatedUnion('to', [
    z.strictObject({ to: z.enum(['nextSlot', 'retry', 'levelChoice', 'endOfRun']) }),
    z.strictObject({ to: z.literal('slot'), slot: Id }),
  ]),
});
export type EndingSide = z.infer<typeof EndingSide>;

/** Ending after a win and after a loss. */
export const Ending = z.strictObject({ won: EndingSide, lost: EndingSide }).meta({ title: 'Ending' });
export type Ending = z.infer<typeof Ending>;
