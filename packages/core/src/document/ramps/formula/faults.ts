import type { RampContext } from '../context.ts';
import { compile } from './compile.ts';
import type { Node } from './types.ts';
import { written } from './written.ts';

/** The innermost part of a formula that comes to no number, and why. */
export interface FormulaFault {
  /** The part as one would write it. */
  part: string;
  /** The fault, in words that follow the part. @example 'divides by zero' */
  why: string;
}

/** The parts that are worked out at a place: of an `if`, the branch taken. */
function partsOf(node: Node, place: number, context: RampContext): readonly Node[] {
  switch (node.is) {
    case 'minus':
      return [node.of];
    case 'operation':
      return [node.left, node.right];
    case 'call':
      return node.of;
    case 'if': {
      const holds = compile(node.condition)(place, context);
      return [node.condition, ...(Number.isFinite(holds) ? [holds === 0 ? node.otherwise : node.then] : [])];
    }
    default:
      return [];
  }
}

function whyOf(node: Node, value: number): string {
  if (node.is === 'operation' && (node.operation === '/' || node.operation === '%')) return 'divides by zero';
  if (node.is === 'call' && node.name === 'mod') return 'divides by zero';
  if (node.is === 'call' && node.name === 'sqrt') return 'is the square root of a number below 0';
  if (node.is === 'call' && node.name === 'log') return 'is the logarithm of a number that is not above 0';
  return Number.isNaN(value) ? 'comes to no number' : 'is too large';
}

/** Where a formula comes to no number; undefined where it comes to one. */
export function faultOf(node: Node, place: number, context: RampContext): FormulaFault | undefined {
  const value = compile(node)(place, context);
  if (Number.isFinite(value)) return undefined;
  for (const part of partsOf(node, place, context)) {
    const inner = faultOf(part, place, context);
    if (inner) return inner;
  }
  return { part: written(node), why: whyOf(node, value) };
}
