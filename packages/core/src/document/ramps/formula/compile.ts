import { bandAt } from '../context.ts';
import { FUNCTIONS, remainder } from './functions.ts';
import { power, same } from './numerics.ts';
import type { Node, Operation, Run } from './types.ts';

const BY_NAME = new Map(FUNCTIONS.map((entry) => [entry.name, entry]));

/** Comparisons are worth 1 or 0; numbers that differ by binary noise only are the same. */
const truth = (holds: boolean): number => (holds ? 1 : 0);

const OPERATIONS: Readonly<Record<Operation, (a: number, b: number) => number>> = {
  '+': (a, b) => a + b,
  '-': (a, b) => a - b,
  '*': (a, b) => a * b,
  '/': (a, b) => a / b,
  '%': remainder,
  '^': power,
  '==': (a, b) => truth(same(a, b)),
  '!=': (a, b) => truth(!same(a, b)),
  '<': (a, b) => truth(a < b && !same(a, b)),
  '<=': (a, b) => truth(a < b || same(a, b)),
  '>': (a, b) => truth(a > b && !same(a, b)),
  '>=': (a, b) => truth(a > b || same(a, b)),
};

/** Name of the reading in a formula along a reading. */
export const READING_NAME = 'reading';

/** Returns the meaning of a name. Parameters come last: none hides a name of the language. */
function meaningOf(name: string): Run {
  switch (name) {
    case 'level':
      return (place, context) => (context.axis === undefined ? place : context.level);
    case 'levels':
      return (_place, context) => context.levels;
    case 'tier':
      return (place, context) => bandAt(context.bands, place) + 1;
    case READING_NAME:
      return (place, context) => (context.axis === undefined ? context.parameterAt(name, place) : place);
    default:
      return (place, context) => context.parameterAt(name, place);
  }
}

/**
 * Makes a formula ready to be worked out many times. Any part, on the branch taken, that comes to no finite number makes
 * the whole come to none. Everything by + − × ÷ and square root, so that it is the same bit for
 * bit in every engine.
 */
export function compile(node: Node): Run {
  switch (node.is) {
    case 'number': {
      const { value } = node;
      return () => value;
    }
    case 'name':
      return meaningOf(node.name);
    case 'statistic': {
      const { of, name } = node;
      return (_place, context) => context.statistic?.(of, name) ?? Number.NaN;
    }
    case 'minus': {
      const of = compile(node.of);
      return (place, context) => -of(place, context);
    }
    case 'operation': {
      const operation = OPERATIONS[node.operation];
      const [left, right] = [compile(node.left), compile(node.right)];
      return (place, context) => {
        const a = left(place, context);
        if (!Number.isFinite(a)) return a;
        const b = right(place, context);
        return Number.isFinite(b) ? operation(a, b) : b;
      };
    }
    case 'if': {
      const [condition, then, otherwise] = [compile(node.condition), compile(node.then), compile(node.otherwise)];
      return (place, context) => {
        const holds = condition(place, context);
        if (!Number.isFinite(holds)) return holds;
        return holds === 0 ? otherwise(place, context) : then(place, context);
      };
    }
    case 'call': {
      const run = BY_NAME.get(node.name)?.run ?? (() => Number.NaN);
      const of = node.of.map(compile);
      return (place, context) => {
        const given = of.map((each) => each(place, context));
        return given.find((value) => !Number.isFinite(value)) ?? run(given);
      };
    }
  }
}
