import type { FormulaError } from './types.ts';

/** Thrown while a formula is read, and caught where reading began. */
export class Unreadable extends Error {
  readonly at: FormulaError;

  /** @param index in the text, from 0 @param length of what it is about, characters */
  constructor(index: number, length: number, message: string) {
    super(message);
    this.at = { column: index + 1, length: Math.max(1, length), message };
  }
}
