import { z } from 'zod';

/** Limit of the questions in one request. */
export const MOST_BOOKS = 60;

/** Which questions' attempts are asked for. */
export const BooksRequest = z
  .strictObject({
    keys: z.array(z.string().regex(/^[0-9a-f]{64}$/, 'A key is 64 digits from 0 to f.')).max(MOST_BOOKS),
  })
  .meta({ id: 'BooksRequest' });
export type BooksRequest = z.infer<typeof BooksRequest>;

/** Attempt records for runs, by key; unknown keys are left out. */
export const Books = z
  .strictObject({
    books: z
      .record(z.string(), z.array(z.array(z.number())))
      .describe(
        'Per attempt: won, stars, seconds, score, collected, lives lost, ending rule, life rule, what stars stand on (-1 for nothing), own tallies.',
      ),
  })
  .meta({ id: 'Books' });
export type Books = z.infer<typeof Books>;

export const TrialsChange = z.strictObject({ do: z.enum(['pause', 'goOn', 'cancel']) }).meta({ id: 'TrialsChange' });
export type TrialsChange = z.infer<typeof TrialsChange>;

/** How the trials of a project stand. */
export const TrialsState = z
  .strictObject({
    paused: z.boolean(),
    waiting: z.number().int().describe('Questions that are not answered yet.'),
    asked: z.array(z.strictObject({ pacer: z.string(), at: z.string() })).describe('What was asked and when first.'),
  })
  .meta({ id: 'TrialsState' });
export type TrialsState = z.infer<typeof TrialsState>;
