import { z } from 'zod';
import { Id } from './ids.ts';

/** Where an entry stands in its collection. */
export const Order = z
  .number()
  // Beyond this, numbers between two neighbours are no longer distinct.
  .min(-1e12, 'An order is at least −1e12.')
  .max(1e12, 'An order is at most 1e12.')
  .describe('Its place in the collection: a smaller number comes first, equal ones go by their ids.');

/**
 * A collection of the document: entries by id, each with its own place. Two people's edits of different entries touch
 * different paths, also where they add, move or remove.
 *
 * @param most limit of the number of entries
 * @param what name of the entries, in words
 */
export const keyed = <Entry extends z.ZodType>(entry: Entry, most: number, what: string) =>
  z
    .record(Id, entry)
    .refine((entries) => Object.keys(entries).length <= most, `At most ${most} ${what}.`)
    .meta({ maxProperties: most });

/** An entry as it is read: with its id, in a list. Without a number, its place in the list is its place. */
export type Listed<Entry> = Entry extends { order: number }
  ? Omit<Entry, 'order'> & { id: Id; order?: number }
  : Entry & { id: Id };
