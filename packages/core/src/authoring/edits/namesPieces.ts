import type { Effect, Id, Reading, Rule } from '../../document/model/index.ts';
import { leaves } from '../../play/rules/index.ts';

/** The fields by which readings and effects name pieces of a ground. */
const FIELDS = ['zone', 'latch', 'gate', 'spawner', 'piece', 'at'] as const;

/** The piece that a reading or an effect names, if it names one. */
function pieceNamed(part: Reading | Effect): Id | undefined {
  const field = FIELDS.find((name) => name in part);
  return field && ((part as Partial<Record<string, unknown>>)[field] as Id | undefined);
}

/** Does a reading or an effect name one of these pieces? */
export function namesOneOf(part: Reading | Effect, ids: ReadonlySet<Id>): boolean {
  const named = pieceNamed(part);
  return named !== undefined && ids.has(named);
}

/** Does the rule name something that lies on one level's ground? */
export const namesPieces = (rule: Rule): boolean =>
  leaves(rule.when).some(({ leaf }) => pieceNamed(leaf.reading) !== undefined) ||
  rule.then.some((effect) => pieceNamed(effect) !== undefined);
