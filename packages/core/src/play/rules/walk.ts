import type { Condition, Rule } from '../../document/model/index.ts';

/** A condition that reads something, not a group. */
export type Leaf = Extract<Condition, { reading: unknown }>;

/** Every condition of a tree with its place below the root, parents first. */
export function eachCondition(
  root: Condition,
  visit: (condition: Condition, path: (string | number)[]) => void,
  path: (string | number)[] = [],
): void {
  visit(root, path);
  if ('of' in root) root.of.forEach((child, index) => eachCondition(child, visit, [...path, 'of', index]));
}

/** The conditions of a tree that read something, in the order written. */
export function leaves(root: Condition): { leaf: Leaf; path: (string | number)[] }[] {
  const found: { leaf: Leaf; path: (string | number)[] }[] = [];
  eachCondition(root, (condition, path) => {
    if (!('of' in condition)) found.push({ leaf: condition, path });
  });
  return found;
}

/** Does the rule end the attempt, and how? */
export function endingOfRule(rule: Rule): 'won' | 'lost' | null {
  if (rule.then.some((effect) => effect.effect === 'win')) return 'won';
  return rule.then.some((effect) => effect.effect === 'lose') ? 'lost' : null;
}
