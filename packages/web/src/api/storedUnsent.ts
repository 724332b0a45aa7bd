import { Edit, Revision } from '@stadion/core/exchange/contract';
import { z } from 'zod';

/** Unsent edits as the browser keeps them. Loaded only when a tab has left some behind. */
export const StoredUnsent = z.object({
  revision: z.number(),
  editId: z.string().optional(),
  edits: z.array(Edit),
  clash: z.object({ mine: z.array(Edit), theirs: z.array(Revision) }).optional(),
});
