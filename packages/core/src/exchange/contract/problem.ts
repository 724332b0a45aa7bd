import { z } from 'zod';

/** One fault and its place. */
export const FaultyPlace = z
  .strictObject({
    message: z.string(),
    pointer: z.string().optional().describe('JSON pointer into the document.'),
    line: z.number().int().optional(),
    column: z.number().int().optional(),
  })
  .meta({ id: 'FaultyPlace' });
export type FaultyPlace = z.infer<typeof FaultyPlace>;

/** Problem details (RFC 9457): what went wrong, where, and what was kept. */
export const Problem = z
  .strictObject({
    type: z.string(),
    title: z.string(),
    status: z.number().int(),
    detail: z.string(),
    code: z.string(),
    kept: z.string().describe('What is safe.'),
    places: z.array(FaultyPlace).optional(),
    revision: z.number().int().optional().describe('With 412: the revision the project is at.'),
  })
  .meta({ id: 'Problem' });
export type Problem = z.infer<typeof Problem>;
