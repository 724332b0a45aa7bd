import { compile } from './compile.ts';
import { FUNCTIONS } from './functions.ts';
import { nearest } from './nearest.ts';
import { syntaxTree, type Parsed } from './syntax.ts';
import type { FormulaError, NameUse, Node, Operation, ParsedFormula } from './types.ts';

const COMPARISONS: ReadonlySet<string> = new Set(['==', '!=', '<', '<=', '>', '>=']);
const CALLS = new Map([...FUNCTIONS.map((entry) => [entry.name, entry] as const)]);
const CALL_NAMES = ['if', ...CALLS.keys()];

/** How deep brackets and calls may be nested. */
const DEEPEST = 60;

/** Thrown while reading, caught by `parseFormula`. */
class Unreadable extends Error {
  readonly at: FormulaError;
  constructor(at: FormulaError) {
    super(at.message);
    this.at = at;
  }
}

/** Reads the parser's tree as ours. @throws Unreadable with the place */
function reader(text: string) {
  const names: NameUse[] = [];

  const startOf = (node: Parsed): number => node.start ?? (node.left ? startOf(node.left) : 0);
  const stop = (node: Parsed, message: string, length = 1): never => {
    throw new Unreadable({ column: startOf(node) + 1, length, message });
  };

  function operation(node: Parsed, depth: number): Node {
    const [left, right] = [node.left as Parsed, node.right as Parsed];
    const operator = node.operator as Operation;
    if (COMPARISONS.has(operator)) {
      for (const side of [left, right]) {
        if (side.start === undefined && COMPARISONS.has(side.operator ?? ''))
          stop(side, 'Two comparisons in a row: compare one by one, and multiply them to ask for both.');
      }
    }
    // A sign binds looser than a power: −2 ^ 2 is −4.
    if (operator === '^' && left.type === 'UnaryExpression' && text[startOf(left)] !== '(') {
      const power = { ...node, left: left.argument as Parsed };
      const of = operation(power, depth);
      return left.operator === '-' ? { is: 'minus', of } : of;
    }
    return { is: 'operation', operation: operator, left: read(left, depth), right: read(right, depth) };
  }

  function call(node: Parsed, depth: number): Node {
    const callee = node.callee as Parsed;
    const name = callee.name ?? '';
    const of = node.arguments ?? [];
    const fn = CALLS.get(name);
    if (name !== 'if' && !fn) {
      const meant = nearest(name, CALL_NAMES);
      stop(
        node,
        `There is no function called ${name}${meant === undefined ? '.' : `; did you mean ${meant}?`}`,
        name.length,
      );
    }
    const takes = fn?.takes ?? ['condition', 'then', 'otherwise'];
    const fits = fn?.many ? of.length > 0 : of.length === takes.length;
    if (!fits) {
      const wanted = fn?.many ? 'one or more' : String(takes.length);
      stop(
        node,
        `${name}(${takes.join(', ')}) takes ${wanted}; ${of.length === 0 ? 'none is' : `${of.length} are`} given.`,
        name.length,
      );
    }
    const read_ = of.map((each) => read(each, depth + 1));
    if (fn) return { is: 'call', name, of: read_ };
    return { is: 'if', condition: read_[0] as Node, then: read_[1] as Node, otherwise: read_[2] as Node };
  }

  function read(node: Parsed, depth: number): Node {
    if (depth > DEEPEST) stop(node, `A formula is nested at most ${DEEPEST} deep.`);
    switch (node.type) {
      case 'Literal':
        if (typeof node.value !== 'number') stop(node, 'Only numbers and names stand in a formula.');
        return { is: 'number', value: node.value as number };
      case 'Identifier':
        names.push({ name: node.name as string, column: startOf(node) + 1 });
        return { is: 'name', name: node.name as string };
      case 'UnaryExpression': {
        const of = read(node.argument as Parsed, depth + 1);
        return node.operator === '-' ? { is: 'minus', of } : of;
      }
      case 'BinaryExpression':
        return operation(node, depth + 1);
      case 'CallExpression':
        return call(node, depth);
      case 'Compound': {
        const [first, second] = node.body ?? [];
        if (!first || !second) return stop(node, 'A formula says something.');
        const comma = /^[^(]*\d,\d/.test(text);
        return stop(second, comma ? 'A number takes a point: 2.5.' : 'An operator is missing before this.');
      }
      case 'ConditionalExpression':
        return stop(node, 'To choose, write if(condition, then, otherwise).');
      default:
        return stop(node, 'This cannot stand in a formula.');
    }
  }

  return { read, names };
}

/** Formulas read before: the same text is the same formula. */
const read = new Map<string, ParsedFormula>();
const MOST_KEPT = 500;

function parse(text: string): ParsedFormula {
  const syntax = syntaxTree(text);
  if (!syntax.ok) return syntax;
  try {
    const { read: readNode, names } = reader(text);
    const root = readNode(syntax.tree, 0);
    return { ok: true, root, names, run: compile(root) };
  } catch (error) {
    if (error instanceof Unreadable) return { ok: false, error: error.at };
    throw error;
  }
}

/** Reads a formula; says where it cannot be read. */
export function parseFormula(text: string): ParsedFormula {
  const known = read.get(text);
  if (known) return known;
  const parsed = parse(text);
  if (read.size >= MOST_KEPT) read.clear();
  read.set(text, parsed);
  return parsed;
}
