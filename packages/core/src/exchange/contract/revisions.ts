import { z } from 'zod';
import { Edit, MAX_EDITS_IN_A_REQUEST, Revision } from './edit.ts';

/** Edits in order, on the revision named by If-Match. All are made, or none. */
export const PatchRequest = z
  .strictObject({
    edits: z
      .array(Edit)
      .min(1)
      .max(MAX_EDITS_IN_A_REQUEST, `At most ${MAX_EDITS_IN_A_REQUEST} edits in one request: send the rest after it.`),
  })
  .meta({ id: 'PatchRequest' });
export type PatchRequest = z.infer<typeof PatchRequest>;

export const PatchResponse = z
  .strictObject({ revision: z.number().int(), revisions: z.array(Revision) })
  .meta({ id: 'PatchResponse' });
export type PatchResponse = z.infer<typeof PatchResponse>;

export const RevisionList = z
  .strictObject({ revision: z.number().int().describe('The project is at.'), revisions: z.array(Revision) })
  .meta({ id: 'RevisionList' });
export type RevisionList = z.infer<typeof RevisionList>;
