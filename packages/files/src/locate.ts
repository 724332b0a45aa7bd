import type { FaultyPlace } from '@stadion/core/exchange/contract';
import { pointerOf } from '@stadion/core/document/model';
import {
  findNodeAtLocation,
  parseTree,
  printParseErrorCode,
  visit,
  type Node,
  type ParseErrorCode,
} from 'jsonc-parser';

const STRICT = { disallowComments: true, allowTrailingComma: false };

/** Both from 1. @param offset in the text, from 0 */
export function lineAndColumn(text: string, offset: number): { line: number; column: number } {
  let line = 1;
  let start = 0;
  for (let end = text.indexOf('\n'); end !== -1 && end < offset; end = text.indexOf('\n', start)) {
    line++;
    start = end + 1;
  }
  return { line, column: offset - start + 1 };
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
  const errors: { code: ParseErrorCode; offset: number }[] = [];
  // Visited, not made into a tree, which would be many times as large as the text.
  visit(text, { onError: (code, offset) => void (errors.length < 5 && errors.push({ code, offset })) }, STRICT);
  return errors.map(({ code, offset }) => ({
    message: WORDS[printParseErrorCode(code)] ?? 'This is not JSON.',
    ...lineAndColumn(text, offset),
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
