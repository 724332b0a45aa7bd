import type { FaultyPlace } from '@stadion/core/contract';
import { pointerOf } from '@stadion/core/model';
import { findNodeAtLocation, parseTree, printParseErrorCode, type Node, type ParseError } from 'jsonc-parser';

const STRICT = { disallowComments: true, allowTrailingComma: false };

/** Both from 1. @param offset in the text, from 0 */
export function lineAndColumn(text: string, offset: number): { line: number; column: number } {
  const before = text.slice(0, offset);
  const line = before.split('\n').length;
  return { line, column: offset - before.lastIndexOf('\n') };
}

const WORDS: Readonly<Record<string, string>> = {
  InvalidSymbol: 'This word means nothing in JSON.',
  InvalidNumberFormat: 'This is not a number.',
  PropertyNameExpected: 'A name in quotes is expected here.',
  ValueExpected: 'A value is expected here.',
  ColonExpected: 'A colon is expected here.',
  CommaExpected: 'A comma is expected here.',
  CloseBraceExpected: 'A closing } is missing here.',
  CloseBracketExpected: 'A closing ] is missing here.',
  EndOfFileExpected: 'The file should end before this.',
  UnexpectedEndOfString: 'The quotes are not closed here.',
  InvalidCommentToken: 'JSON has no comments.',
};

/** Where a text stops being JSON, if it does. */
export function syntaxFaults(text: string): FaultyPlace[] {
  const errors: ParseError[] = [];
  parseTree(text, errors, STRICT);
  return errors.slice(0, 5).map((error) => ({
    message: WORDS[printParseErrorCode(error.error)] ?? 'This is not JSON.',
    ...lineAndColumn(text, error.offset),
  }));
}

/** The places of faults in a text that is JSON: pointer, line and column of the nearest thing that is there. */
export function placeFaults(
  text: string,
  problems: readonly { path: PropertyKey[]; message: string }[],
): FaultyPlace[] {
  const root = parseTree(text, [], STRICT);
  return problems.map(({ path, message }) => {
    const steps = path.map((part) => (typeof part === 'number' ? part : String(part)));
    let node: Node | undefined;
    for (let length = steps.length; root && !node && length >= 0; length--)
      node = findNodeAtLocation(root, steps.slice(0, length));
    return { message, pointer: pointerOf(path), ...(node ? lineAndColumn(text, node.offset) : {}) };
  });
}
