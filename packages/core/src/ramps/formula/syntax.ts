import jsep from 'jsep';
import type { FormulaError, Operation } from './types.ts';

/** A node as the parser gives it, and where it stands. */
export interface Parsed {
  type: string;
  /** Index in the text at which it begins, brackets around it included; absent for operations between two. */
  start?: number;
  operator?: string;
  left?: Parsed;
  right?: Parsed;
  argument?: Parsed;
  value?: unknown;
  name?: string;
  callee?: Parsed;
  arguments?: Parsed[];
  body?: Parsed[];
}

/** From the loosest to the tightest. */
const PRECEDENCE: readonly (readonly Operation[])[] = [
  ['==', '!='],
  ['<', '<=', '>', '>='],
  ['+', '-'],
  ['*', '/', '%'],
  ['^'],
];

// The parser comes with another language's operators: ours take their place. `^` is a power, tightest, from the right.
jsep.removeAllBinaryOps();
jsep.removeAllUnaryOps();
jsep.removeAllLiterals();
PRECEDENCE.forEach((operations, index) => {
  for (const operation of operations) jsep.addBinaryOp(operation, index + 1, operation === '^');
});
for (const sign of ['-', '+']) jsep.addUnaryOp(sign);

// It tells no places by itself: they are noted where a token begins and given to the token once it is whole.
interface Reading {
  expr: string;
  index: number;
  gobbleNumericLiteral(): unknown;
}
const begun = new WeakMap<object, number[]>();
jsep.hooks.add('gobble-token', function gobble(this: Reading, env: { node?: unknown }) {
  const starts = begun.get(this);
  if (starts) starts.push(this.index);
  else begun.set(this, [this.index]);
  // Numbers are the one kind of token that it would not report as whole: read here, they are.
  if (/[\d.]/.test(this.expr[this.index] ?? '')) env.node = this.gobbleNumericLiteral();
});
jsep.hooks.add('after-token', function after(this: object, env: { node?: unknown }) {
  const start = begun.get(this)?.pop();
  if (env.node !== null && typeof env.node === 'object') (env.node as Parsed).start = start ?? 0;
});

const MEANT: readonly [RegExp, (found: string) => string][] = [
  [/^Expected expression after (\S+)/, (found) => `“${found}” needs something after it.`],
  [/^missing unaryOp argument/, () => 'A sign needs something after it.'],
  [/^Unclosed \(|^Expected \)/, () => 'This bracket is never closed.'],
  [/^Unexpected "="/, () => 'To compare, write ==.'],
  [/^Unexpected token ,|^Expected comma/, () => 'Something is missing beside this comma.'],
  [/^Unexpected "?([^"]+)"?/, (found) => `“${found}” cannot stand here.`],
  [
    /^Variable names cannot start with a number \((.*)\)/,
    () => 'Between a number and a name there must be an operator.',
  ],
];

/** The parser's complaint in our words. */
function complaint(
  text: string,
  { index = 0, description = '' }: { index?: number; description?: string },
): FormulaError {
  const [, say] = MEANT.find(([pattern]) => pattern.test(description)) ?? [];
  const found = MEANT.map(([pattern]) => pattern.exec(description)).find((match) => match !== null)?.[1] ?? '';
  const unclosed = description.startsWith('Unclosed (') || description.startsWith('Expected )');
  const at = unclosed ? Math.max(0, text.lastIndexOf('(')) : Math.min(index, Math.max(0, text.length - 1));
  return { column: at + 1, length: 1, message: say ? say(found) : 'This cannot be read as a formula.' };
}

/** The parser's syntax tree of a text. */
export function syntaxTree(text: string): { ok: true; tree: Parsed } | { ok: false; error: FormulaError } {
  try {
    return { ok: true, tree: jsep(text) as unknown as Parsed };
  } catch (error) {
    return { ok: false, error: complaint(text, error as { index?: number; description?: string }) };
  }
}
