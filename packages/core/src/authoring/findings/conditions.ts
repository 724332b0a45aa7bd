import type { Condition, Rule } from '../../document/model/index.ts';
import { endingOfRule, type Leaf, type RuleInForce } from '../../play/rules/index.ts';
import type { SlotFacts } from './scopes.ts';

/** Returns the leaves that must hold whenever a condition holds, with their places below it. */
export function neededIn(
  condition: Condition,
  path: (string | number)[] = [],
): { leaf: Leaf; path: (string | number)[] }[] {
  if (!('of' in condition)) return [{ leaf: condition, path }];
  const isEach =
    condition.is === 'all' || condition.is === 'inOrder' || (condition.is === 'any' && condition.of.length === 1);
  return isEach ? condition.of.flatMap((part, index) => neededIn(part, [...path, 'of', index])) : [];
}

/** Fields that change nothing of what a condition, a rule or an effect does. */
const WITHOUT_MEANING: ReadonlySet<string> = new Set(['id', 'order', 'note', 'replaces']);

/** A condition, a rule or an effect in its normal form as text: two with the same text do the same. */
export function plain(value: unknown): string {
  return JSON.stringify(value, (key, entry: unknown) =>
    // A factor of 1 and an addition of 0 are the same as none.
    WITHOUT_MEANING.has(key) || (key === 'times' && entry === 1) || (key === 'plus' && entry === 0) ? undefined : entry,
  );
}

const isWin = ({ rule }: RuleInForce): boolean => endingOfRule(rule) === 'won';
const isLoss = ({ rule }: RuleInForce): boolean => endingOfRule(rule) === 'lost';

export const winning = ({ rules }: Pick<SlotFacts, 'rules'>): RuleInForce[] => rules.filter(isWin);
export const losing = ({ rules }: SlotFacts): RuleInForce[] => rules.filter(isLoss);

/** Does the end of the clock win the level, or may it? */
export const clockMayWin = ({ level: { clock } }: Pick<SlotFacts, 'level'>): boolean =>
  clock.limitSeconds !== null && clock.atExpiry !== 'lose';

/** Returns the level's own rules; standing rules are reported at the first slot only. */
export const toldHere = ({ rules, position }: SlotFacts): RuleInForce[] =>
  rules.filter(({ standing }) => !standing || position === 1);

/** Does a rule hurt: take a life, health, or the attempt? */
export const hurts = ({ then }: Pick<Rule, 'then'>): boolean =>
  then.some(({ effect }) => effect === 'lose' || effect === 'loseLife' || effect === 'hurt');
