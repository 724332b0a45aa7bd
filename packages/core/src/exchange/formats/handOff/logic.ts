import type { Condition } from '../../../document/model/index.ts';
import {
  COMPARISON_SIGNS,
  liveAmount,
  readingName,
  resolveAmount,
  ticksToSeconds,
  resolveCondition,
  type Resolving,
} from '../../../play/rules/index.ts';
import type { HandedCondition, Memory } from './schema.ts';

type Logic = HandedCondition['when'];

/** Names of the parameters that change during an attempt, by the number of their dial. */
const parameterOf = ({ dials }: Resolving, dial: number): string =>
  [...dials].find(([, index]) => index === dial)?.[0] ?? '';

/** How a number follows a parameter that changes, by the parameter's name. */
export function followsOf(
  amount: Parameters<typeof liveAmount>[0],
  resolving: Resolving,
): { parameter: string; times: number; plus: number; of?: number } | undefined {
  const live = liveAmount(amount, resolving);
  if (!live) return undefined;
  const { dial, ...rest } = live;
  return { parameter: parameterOf(resolving, dial), ...rest };
}

function logicOf(condition: Condition, at: number[], resolving: Resolving, memory: Memory[]): Logic {
  if ('of' in condition) {
    if (condition.is === 'inOrder') memory.push({ at, inOrder: true });
    const of = condition.of.map((child, index) => logicOf(child, [...at, index], resolving, memory));
    switch (condition.is) {
      case 'all':
      case 'inOrder':
        return of.length === 0 ? true : { and: of };
      case 'any':
        return of.length === 0 ? false : { or: of };
      case 'none':
        return of.length === 0 ? true : { '!': [{ or: of }] };
      case 'atLeast': {
        const count = condition.count ? resolveAmount(condition.count, resolving.values, resolving.placed) : 1;
        return { '>=': [of.length === 0 ? 0 : { '+': of.map((each) => ({ if: [each, 1, 0] })) }, count] };
      }
    }
  }
  const resolved = resolveCondition(condition, resolving);
  const heldTicks = 'heldTicks' in resolved ? resolved.heldTicks : 0;
  const follows = condition.is === 'compare' ? followsOf(condition.amount, resolving) : undefined;
  if (heldTicks > 0 || follows)
    memory.push({
      at,
      ...(heldTicks > 0 ? { heldSeconds: ticksToSeconds(heldTicks) } : {}),
      ...(follows ? { follows } : {}),
    });
  const reading = { var: readingName(condition.reading) };
  if (condition.is === 'onOff') return condition.on ? { '!!': [reading] } : { '!': [reading] };
  const amount = resolveAmount(condition.amount, resolving.values, resolving.placed);
  return { [COMPARISON_SIGNS[condition.comparison]]: [reading, amount] };
}

/** A condition as a game reads it. */
export function exportCondition(condition: Condition, resolving: Resolving): HandedCondition {
  const memory: Memory[] = [];
  const when = logicOf(condition, [], resolving, memory);
  return memory.length > 0 ? { when, memory } : { when };
}
