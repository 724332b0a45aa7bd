import { FUNCTIONS, remainder } from './functions.ts';
import { power, same } from './numerics.ts';
import type { Node, Operation } from './types.ts';

const BY_NAME = new Map(FUNCTIONS.map((entry) => [entry.name, entry]));

/** Comparisons are worth 1 or 0; numbers that differ by binary noise only are the same. Not a number compares as not a number. */
const compared = (a: number, b: number, truth: boolean): number => (Number.isNaN(a + b) ? Number.NaN : truth ? 1 : 0);

const OPERATIONS: Readonly<Record<Operation, (a: number, b: number) => number>> = {
  '+': (a, b) => a + b,
  '-': (a, b) => a - b,
  '*': (a, b) => a * b,
  '/': (a, b) => a / b,
  '%': remainder,
  '^': power,
  '==': (a, b) => compared(a, b, same(a, b)),
  '!=': (a, b) => compared(a, b, !same(a, b)),
  '<': (a, b) => compared(a, b, a < b && !same(a, b)),
  '<=': (a, b) => compared(a, b, a < b || same(a, b)),
  '>': (a, b) => compared(a, b, a > b && !same(a, b)),
  '>=': (a, b) => compared(a, b, a > b || same(a, b)),
};

/**
 * The value of a formula. Everything by + − × ÷ and square root, so that it is the same bit for bit in every engine.
 *
 * @param nameOf what a name stands for; not a number for one that stands for nothing
 * @returns not a number, or infinite, where it divides by zero or asks for what is not there
 */
export function evaluate(node: Node, nameOf: (name: string) => number): number {
  switch (node.is) {
    case 'number':
      return node.value;
    case 'name':
      return nameOf(node.name);
    case 'minus':
      return -evaluate(node.of, nameOf);
    case 'operation':
      return OPERATIONS[node.operation](evaluate(node.left, nameOf), evaluate(node.right, nameOf));
    case 'if': {
      const condition = evaluate(node.condition, nameOf);
      if (Number.isNaN(condition)) return condition;
      return evaluate(condition === 0 ? node.otherwise : node.then, nameOf);
    }
    case 'call':
      return BY_NAME.get(node.name)?.run(node.of.map((each) => evaluate(each, nameOf))) ?? Number.NaN;
  }
}
