import { compile } from './compile.ts';
import type { Node, Run } from './types.ts';

const known = new WeakMap<Node, Run>();

/** A formula's tree made ready to be worked out, once for each tree. */
export function evaluatorOf(tree: Node): Run {
  const before = known.get(tree);
  if (before) return before;
  const run = compile(tree);
  known.set(tree, run);
  return run;
}
