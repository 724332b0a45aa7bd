import { z } from 'zod';
import { Limits } from '../values/limits.ts';

/** Text without control characters and without halves of characters: neither can stand in an XML file or on one line. */
const OneLine = z.string().regex(/^[^\p{Cc}\p{Cs}]*$/u, 'Line breaks and control characters are not allowed here.');

/** One line of text. @param most characters */
export const Line = (most: number): z.ZodString => OneLine.max(most);

/** A name given by a designer: one line, not empty. @param most characters @param missing is said of an empty name */
export const Name = (most: number = Limits.nameLength, missing = 'This needs a name.'): z.ZodString =>
  OneLine.regex(/\S/, missing).max(most, `A name has at most ${most} characters.`);
