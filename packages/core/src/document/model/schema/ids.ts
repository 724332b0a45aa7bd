import { z } from 'zod';

/** A short stable name inside one project. Nothing in the document refers to an array index. */
export const Id = z
  .string()
  .regex(/^[a-z][a-zA-Z0-9-]{0,47}$/, 'An id starts with a small letter, then letters, digits or dashes, 48 at most.');
export type Id = z.infer<typeof Id>;
