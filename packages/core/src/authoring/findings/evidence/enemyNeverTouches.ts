import { namesFor } from '../../../play/attempt/index.ts';
import { pointerOf, type Condition } from '../../../document/model/index.ts';
import { eachCondition } from '../../../play/rules/index.ts';
import { restsOn, type AttemptFacts, type EvidenceCheck } from './attemptFacts.ts';

/** The kind whose touch alone makes a condition true; undefined for all others. */
const touchedBy = (when: Condition): string | undefined =>
  when.is === 'onOff' && when.on && when.reading.reading === 'touching' ? when.reading.kind : undefined;

/** Kinds that rules ask for in more ways than by being touched: whether one has been beaten, or is left. */
function askedOtherwise({ here }: AttemptFacts): ReadonlySet<string> {
  const kinds = new Set<string>();
  for (const { rule } of here.rules)
    eachCondition(rule.when, (condition) => {
      if (!('reading' in condition) || touchedBy(rule.when) !== undefined) return;
      const { reading } = condition;
      if (reading.reading === 'touching') kinds.add(reading.kind);
      if (reading.reading === 'enemiesBeaten' || reading.reading === 'enemiesLeft') kinds.add(reading.of);
    });
  return kinds;
}

/** A kind of enemy on the ground that touched nobody in any attempt, not even the least able players. */
export const enemyNeverTouches: EvidenceCheck = {
  code: 'enemy-never-touches',
  title: 'Enemy that touches nobody',
  group: 'difficulty',
  severity: 'doubtful',
  source: 'attempts',
  find(facts) {
    const { here, forecast, pacer, isWeakest } = facts;
    const { fired } = forecast;
    if (!isWeakest || !fired || forecast.clearRate === 0) return [];
    const otherwise = askedOtherwise(facts);
    if (otherwise.has('any')) return [];
    const touches = new Map<string, number>();
    here.rules.forEach(({ rule }, index) => {
      const kind = touchedBy(rule.when);
      if (kind !== undefined) touches.set(kind, (touches.get(kind) ?? 0) + (fired[index] ?? 0));
    });
    const { enemies } = here.project.kinds;
    return enemies.flatMap(({ id, name }) => {
      const placed = here.level.ground.pieces.filter(
        (piece) => (piece.piece === 'enemy' || piece.piece === 'spawner') && piece.kind === id,
      );
      const [first] = placed;
      if (!first || touches.get(id) !== 0 || otherwise.has(id)) return [];
      const { [first.id]: piece = name } = namesFor(here.project, here.level).pieces;
      return [
        {
          slotId: here.slot.id,
          path: pointerOf(['levels', here.level.id, 'ground', 'pieces', first.id]),
          sentence:
            placed.length === 1
              ? `${piece} never touches anybody.`
              : `None of the ${placed.length} × ${name} touches anybody.`,
          reason: `In ${forecast.attempts} attempts by ${pacer.name}, the least able pacer, no ${name} touched the player. It may still turn players aside.`,
          evidence: restsOn(facts),
        },
      ];
    });
  },
};
