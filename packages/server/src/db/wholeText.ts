import { sql, type AnyColumn, type SQL } from 'drizzle-orm';
import { TextDecoder } from 'node:util';

/*
 * The driver ends the process where stored text is no text any more. So what is large, and likely to be hit by damage to
 * the file, is read as bytes and decoded here.
 */

function decoded(column: AnyColumn, decoder: TextDecoder): SQL<string> {
  return sql<string>`cast(${column} as blob)`.mapWith((bytes: ArrayBuffer) => decoder.decode(bytes));
}

/** JSON that was stored; undefined where it is damaged. */
export function readJson(text: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch {
    return undefined;
  }
}

/** A column's text. @throws TypeError when it is read where its bytes are no text */
export const wholeText = (column: AnyColumn): SQL<string> => decoded(column, new TextDecoder('utf-8', { fatal: true }));

/** A column's text, with marks in place of what is no text. */
export const anyText = (column: AnyColumn): SQL<string> => decoded(column, new TextDecoder());
