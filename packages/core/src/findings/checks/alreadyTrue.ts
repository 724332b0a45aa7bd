import { compare, conditionInWords, endingOfRule, leaves, resolveAmount, type Leaf } from '../../rules/index.ts';
import { pointerOf, type Condition } from '../../model/index.ts';
import { say, type Check, type Mend, type Place } from '../finding.ts';

/** A reading before the player can act. Undefined where it depends on the ground and is best left to play. */
function atStart(leaf: Leaf, place: Place): number | undefined {
  const { reading } = leaf;
  const { level, project, values, placed } = place;
  switch (reading.reading) {
    case 'worth':
    case 'collected':
    case 'timeElapsed':
      return 0;
    case 'left':
      return placed.count[reading.of] ?? 0;
    case 'lives':
      return resolveAmount(project.run.livesAtStart, values, placed);
    case 'timeLeft':
      return level.clock.limitSeconds === null
        ? Number.POSITIVE_INFINITY
        : resolveAmount(level.clock.limitSeconds, values, placed);
    case 'inside': {
      const start = level.ground.pieces.find((piece) => piece.piece === 'start');
      const goal = level.ground.pieces.find((piece) => piece.piece === 'goal' && piece.id === reading.zone);
      if (!start || goal?.piece !== 'goal') return undefined;
      const { x, y } = start.at;
      const within = x >= goal.at.x && x <= goal.at.x + goal.width && y >= goal.at.y && y <= goal.at.y + goal.height;
      return within ? 1 : 0;
    }
    case 'touching':
      return undefined;
  }
}

function trueAtStart(condition: Condition, place: Place): boolean {
  if ('of' in condition) {
    const count = condition.of.filter((child) => trueAtStart(child, place)).length;
    return condition.is === 'all' ? count === condition.of.length : condition.is === 'any' ? count > 0 : count === 0;
  }
  const value = atStart(condition, place);
  if (value === undefined) return false;
  if (condition.heldSeconds && resolveAmount(condition.heldSeconds, place.values, place.placed) > 0) return false;
  if (condition.is === 'onOff') return (value !== 0) === condition.on;
  return compare(condition.comparison, value, resolveAmount(condition.amount, place.values, place.placed));
}

/** The least of a gathered reading that is not there from the start: one piece's worth, or one piece. */
function leastToAsk(leaf: Leaf, place: Place): number | undefined {
  if (leaf.is !== 'compare' || leaf.comparison !== 'atLeast' || leaf.amount.from !== 'number') return undefined;
  const { reading } = leaf;
  if (reading.reading !== 'worth' && reading.reading !== 'collected') return undefined;
  const measure = reading.reading === 'worth' ? 'worth' : 'count';
  const all = place.placed[measure][reading.of] ?? 0;
  return all > 0 ? Math.max(1, Math.ceil(all / 2)) : undefined;
}

/** An ending that comes before the player has done anything. */
export const alreadyTrue: Check = {
  code: 'already-true',
  check: (place) =>
    place.level.rules.flatMap((rule, index) => {
      const ending = endingOfRule(rule);
      if (!ending || !trueAtStart(rule.when, place)) return [];
      const parts = leaves(rule.when);
      const [only] = parts;
      const base = ['levels', place.level.id, 'rules', index, 'when'];
      const ask = parts.length === 1 && only ? leastToAsk(only.leaf, place) : undefined;
      const mend: Mend | undefined =
        ask === undefined || !only
          ? undefined
          : {
              label: `Ask for ${say(ask)}, half of what is placed`,
              patch: [
                {
                  op: 'replace',
                  path: pointerOf([...base, ...only.path, 'amount']),
                  value: { from: 'number', value: ask },
                },
              ],
            };
      return [
        {
          code: 'already-true' as const,
          severity: 'stops play' as const,
          slotId: place.slotId,
          path: pointerOf(base),
          sentence:
            ending === 'won'
              ? 'The level is won before the player has moved.'
              : 'The level is lost before the player has moved.',
          reason: `At the start it already holds: ${conditionInWords(rule.when, place.names)}.`,
          ...(mend ? { mend } : {}),
        },
      ];
    }),
};
