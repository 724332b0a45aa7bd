import { FUNCTIONS } from './functions.ts';
import { nearest } from './nearest.ts';
import { evaluatorOf } from './evaluate.ts';
import { tokensOf, type Token } from './tokens.ts';
import type { Whose } from '../context.ts';
import type { NameUse, Node, Operation, ParsedFormula } from './types.ts';
import { Unreadable } from './unreadable.ts';

/** How tightly each operation binds. */
const BINDS: Readonly<Record<Operation, number>> = {
  '==': 1,
  '!=': 1,
  '<': 2,
  '<=': 2,
  '>': 2,
  '>=': 2,
  '+': 3,
  '-': 3,
  '*': 4,
  '/': 4,
  '%': 4,
  '^': 5,
};
const COMPARISONS: ReadonlySet<string> = new Set(['==', '!=', '<', '<=', '>', '>=']);
const CALLS = new Map(FUNCTIONS.map((entry) => [entry.name, entry]));
const CALL_NAMES = ['if', 'mine', 'theirs', ...CALLS.keys()];

/** How deep brackets and calls may be nested. */
const DEEPEST = 60;

const CHOOSE = 'To choose, write if(condition, then, otherwise).';
const BOTH = 'To ask for both, multiply: (level > 2) * (level < 5).';
const EITHER = 'To ask for one of two, take the greater: max(level < 2, level > 5).';

/** Common spellings of things that are written otherwise here. */
const OTHERWISE: Readonly<Record<string, string>> = {
  '=': 'To compare, write ==.',
  '?': CHOOSE,
  '&&': BOTH,
  and: BOTH,
  '||': EITHER,
  or: EITHER,
  '!': 'For not, compare with 0: (level > 5) == 0.',
};

/** Functions that other languages have, and what does here. */
const ELSEWHERE: Readonly<Record<string, string>> = {
  sin: 'a shape through points waves',
  cos: 'a shape through points waves',
  tan: 'a shape through points waves',
  exp: 'write pow(2.718281828, x)',
  int: 'write floor(x)',
  trunc: 'write floor(x)',
  random: 'a ramp gives the same value every time',
};

/** A node, where it begins, and whether it stands in brackets of its own. */
interface Read {
  node: Node;
  at: number;
  inBrackets: boolean;
}

const isComparison = ({ node, inBrackets }: Read): boolean =>
  node.is === 'operation' && COMPARISONS.has(node.operation) && !inBrackets;

/** Reads tokens by how tightly operations bind. Source: V. R. Pratt (1973), Top down operator precedence. */
class Reader {
  readonly names: NameUse[] = [];
  readonly statistics: NameUse[] = [];
  readonly #tokens: readonly Token[];
  #next = 0;

  constructor(tokens: readonly Token[]) {
    this.#tokens = tokens;
  }

  #peek(): Token {
    return this.#tokens[this.#next] as Token;
  }

  #take(): Token {
    return this.#tokens[this.#next++] as Token;
  }

  #isAt(sign: string): boolean {
    return this.#peek().is === 'sign' && this.#peek().text === sign;
  }

  #stop(token: Pick<Token, 'at' | 'text'>, message: string): never {
    throw new Unreadable(token.at, token.text.length, message);
  }

  /** The whole formula. */
  all(): Node {
    if (this.#peek().is === 'end') this.#stop({ at: 0, text: '' }, 'A formula says something.');
    const read = this.#expression(0, 0);
    if (this.#peek().is !== 'end') this.#refuseNext(read);
    return read.node;
  }

  /** Says why what comes next cannot follow what has been read. */
  #refuseNext(before: Read): never {
    const token = this.#peek();
    const meant = OTHERWISE[token.text];
    if (token.text === '?') this.#stop({ at: before.at, text: '' }, CHOOSE);
    if (meant !== undefined) this.#stop(token, meant);
    if (token.text === '.') this.#refusePoint(before);
    const after = this.#tokens[this.#next + 1];
    if (token.text === ',' && before.node.is === 'number' && after?.is === 'number')
      this.#stop(after, 'A number takes a point: 2.5.');
    const last = this.#tokens[this.#next - 1];
    if (token.is === 'name' && last?.is === 'number' && last.at + last.text.length === token.at)
      this.#stop(token, 'Between a number and a name there must be an operator.');
    if (token.is !== 'sign' || token.text === '(') this.#stop(token, 'An operator is missing before this.');
    return this.#stop(token, `“${token.text}” cannot stand here.`);
  }

  #refusePoint(before: Read): never {
    const after = this.#tokens[this.#next + 1];
    const call = after && CALL_NAMES.includes(after.text) ? after.text : undefined;
    const at = { at: before.at, text: '' };
    return this.#stop(at, call === undefined ? 'This cannot stand in a formula.' : `Write ${call}(…) alone.`);
  }

  /** An expression whose operations bind at least so tightly. @param depth of brackets and calls around it */
  #expression(least: number, depth: number): Read {
    let left = this.#operand(depth);
    for (;;) {
      const token = this.#peek();
      const binds = token.is === 'sign' ? BINDS[token.text as Operation] : undefined;
      if (binds === undefined || binds < least) return left;
      this.#take();
      if (this.#peek().is === 'end') this.#stop(token, `“${token.text}” needs something after it.`);
      // A power is worked out from the right: 2 ^ 3 ^ 2 is 2 ^ 9.
      const right = this.#expression(token.text === '^' ? binds : binds + 1, depth);
      if (COMPARISONS.has(token.text)) {
        for (const side of [left, right])
          if (isComparison(side))
            this.#stop(
              { at: side.at, text: '' },
              'Two comparisons in a row: compare one by one, and multiply them to ask for both.',
            );
      }
      const operation = token.text as Operation;
      left = {
        node: { is: 'operation', operation, left: left.node, right: right.node },
        at: left.at,
        inBrackets: false,
      };
    }
  }

  #operand(depth: number): Read {
    const token = this.#take();
    const { at } = token;
    if (token.is === 'number') return { node: { is: 'number', value: token.value }, at, inBrackets: false };
    if (token.is === 'name') return { node: this.#nameOrCall(token, depth), at, inBrackets: false };
    if (token.text === '-' || token.text === '+') {
      if (this.#peek().is === 'end') this.#stop(token, 'A sign needs something after it.');
      // A sign binds looser than a power: −2 ^ 2 is −4.
      const { node } = this.#expression(BINDS['^'], depth);
      return { node: token.text === '-' ? { is: 'minus', of: node } : node, at, inBrackets: false };
    }
    if (token.text === '(') {
      this.#deeper(token, depth);
      const { node } = this.#inside(token, depth + 1);
      this.#close(token, node);
      return { node, at, inBrackets: true };
    }
    if (token.text === ',') this.#stop(token, 'Something is missing beside this comma.');
    if (token.is === 'end') return this.#stop(this.#tokens[this.#next - 2] ?? token, 'Something is missing here.');
    return this.#stop(token, OTHERWISE[token.text] ?? `“${token.text}” cannot stand here.`);
  }

  #deeper(token: Token, depth: number): void {
    if (depth >= DEEPEST) this.#stop(token, `A formula is nested at most ${DEEPEST} deep.`);
  }

  /** Reads the expression after a bracket. */
  #inside(open: Token, depth: number): Read {
    if (this.#peek().is === 'end') this.#stop(open, 'This bracket is never closed.');
    if (this.#isAt(')')) this.#stop(open, 'There is nothing in these brackets.');
    return this.#expression(0, depth);
  }

  #close(open: Token, node: Node): void {
    if (this.#peek().is === 'end') this.#stop(open, 'This bracket is never closed.');
    if (!this.#isAt(')')) this.#refuseNext({ node, at: open.at + 1, inBrackets: false });
    this.#take();
  }

  #nameOrCall(token: Token, depth: number): Node {
    const name = token.text;
    if (!this.#isAt('(')) {
      if (Object.hasOwn(OTHERWISE, name)) this.#stop(token, OTHERWISE[name] as string);
      this.names.push({ name, column: token.at + 1 });
      return { is: 'name', name };
    }
    if (name === 'mine' || name === 'theirs') return this.#statistic(token, name);
    const fn = CALLS.get(name);
    if (name !== 'if' && !fn) this.#refuseCall(token);
    this.#deeper(token, depth);
    const of = this.#arguments(this.#take(), depth + 1);
    const takes = fn?.takes ?? ['condition', 'then', 'otherwise'];
    const fits = fn?.many ? of.length > 0 : of.length === takes.length;
    if (!fits) {
      const wanted = fn?.many ? 'one or more' : String(takes.length);
      const given = of.length === 0 ? 'none is' : `${of.length} are`;
      this.#stop(token, `${name}(${takes.join(', ')}) takes ${wanted}; ${given} given.`);
    }
    if (fn) return { is: 'call', name, of };
    return { is: 'if', condition: of[0] as Node, then: of[1] as Node, otherwise: of[2] as Node };
  }

  /** A statistic of who acts or of who is struck. */
  #statistic(token: Token, of: Whose): Node {
    this.#take();
    const what = this.#peek();
    if (what.is !== 'name') this.#stop(token, `${of}(…) takes the name of a statistic.`);
    this.#take();
    if (this.#peek().is === 'end') this.#stop(token, 'This bracket is never closed.');
    if (!this.#isAt(')')) this.#stop(this.#peek(), `${of}(…) takes one name and nothing else.`);
    this.#take();
    this.statistics.push({ name: what.text, column: what.at + 1 });
    return { is: 'statistic', of, name: what.text };
  }

  #refuseCall(token: Token): never {
    const other = Object.hasOwn(ELSEWHERE, token.text) ? ELSEWHERE[token.text] : undefined;
    if (other !== undefined) this.#stop(token, `There is no function called ${token.text}: ${other}.`);
    const meant = nearest(token.text, CALL_NAMES);
    return this.#stop(
      token,
      `There is no function called ${token.text}${meant === undefined ? '.' : `; did you mean ${meant}?`}`,
    );
  }

  /** Reads the arguments of a call, up to its closing bracket. */
  #arguments(open: Token, depth: number): Node[] {
    const of: Node[] = [];
    if (this.#isAt(')')) {
      this.#take();
      return of;
    }
    for (;;) {
      if (this.#peek().is === 'end') this.#stop(open, 'This bracket is never closed.');
      const read = this.#expression(0, depth);
      of.push(read.node);
      if (this.#isAt(')')) {
        this.#take();
        return of;
      }
      if (this.#isAt(',')) {
        const comma = this.#take();
        if (this.#isAt(')') || this.#peek().is === 'end') this.#stop(comma, 'Something is missing beside this comma.');
      } else if (this.#peek().is === 'number' || this.#peek().is === 'name' || this.#isAt('('))
        this.#stop(this.#peek(), OTHERWISE[this.#peek().text] ?? 'A comma is missing before this.');
      else if (this.#peek().is !== 'end') this.#refuseNext(read);
    }
  }
}

/** Formulas read before: the same text is the same formula. */
const known = new Map<string, ParsedFormula>();
const MOST_KEPT = 500;

function parse(text: string): ParsedFormula {
  try {
    const reader = new Reader(tokensOf(text));
    const root = reader.all();
    return { ok: true, root, names: reader.names, statistics: reader.statistics, run: evaluatorOf(root) };
  } catch (error) {
    if (error instanceof Unreadable) return { ok: false, error: error.at };
    throw error;
  }
}

/** Reads a formula into a tree of plain data; says where it cannot be read. */
export function parseFormula(text: string): ParsedFormula {
  const before = known.get(text);
  if (before) return before;
  const parsed = parse(text);
  if (known.size >= MOST_KEPT) known.clear();
  known.set(text, parsed);
  return parsed;
}
