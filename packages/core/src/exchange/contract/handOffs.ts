import { z } from 'zod';
import { ProjectDocument } from '../../document/model/index.ts';

/** A state of a project that was handed over. */
export const HandOffSummary = z
  .strictObject({
    id: z.string(),
    label: z.string(),
    revision: z.number().int(),
    at: z.iso.datetime(),
    reason: z.string().nullable().describe('Why it was handed over although checks failed; null where none was given.'),
    failed: z.number().int().describe('How many checks failed.'),
  })
  .meta({ id: 'HandOffSummary' });
export type HandOffSummary = z.infer<typeof HandOffSummary>;

export const HandOffList = z.strictObject({ handOffs: z.array(HandOffSummary) }).meta({ id: 'HandOffList' });
export type HandOffList = z.infer<typeof HandOffList>;

export const CreateHandOff = z
  .strictObject({
    label: z.string().regex(/\S/, 'A hand-off needs a label.').max(80, 'A label has at most 80 characters.'),
    reason: z.string().max(400, 'A reason has at most 400 characters.').optional(),
  })
  .meta({ id: 'CreateHandOff' });
export type CreateHandOff = z.infer<typeof CreateHandOff>;

/** Reasons against handing a project over at a revision, one sentence each. */
export const HandOffChecks = z
  .strictObject({ revision: z.number().int(), failures: z.array(z.string()) })
  .meta({ id: 'HandOffChecks' });
export type HandOffChecks = z.infer<typeof HandOffChecks>;

/** With the whole document as it was. */
export const KeptHandOff = HandOffSummary.extend({ document: ProjectDocument }).meta({ id: 'KeptHandOff' });
export type KeptHandOff = z.infer<typeof KeptHandOff>;
