import { z } from 'zod';
import { Limits } from '../values/limits.ts';

/** Why something is as it is, in the designer's words. */
export const Note = z.string().max(Limits.textLength).optional().describe('Why it is so.');
