import type { Level, Project } from '../model/index.ts';
import type { Values } from '../ramps/index.ts';
import { rulesOf } from './rulesOf.ts';

/** What a level has to give, by kind of collectable, and in all under “any”. */
export interface Placed {
  count: Readonly<Record<string, number>>;
  worth: Readonly<Record<string, number>>;
}

/** Count what lies on the ground and what a milestone will reveal, with each kind's worth at this slot. */
export function placedOn(project: Pick<Project, 'kinds' | 'standing'>, level: Level, values: Values): Placed {
  const count: Record<string, number> = { any: 0 };
  const worth: Record<string, number> = { any: 0 };
  const each = new Map<string, number>();
  for (const kind of project.kinds.collectables) {
    count[kind.id] = 0;
    worth[kind.id] = 0;
    const { worth: amount } = kind;
    if (amount.from === 'number') each.set(kind.id, amount.value);
    if (amount.from === 'parameter')
      each.set(kind.id, (values[amount.parameter] ?? 0) * (amount.times ?? 1) + (amount.plus ?? 0));
  }
  const revealed = new Set(
    rulesOf(project, level).flatMap(({ rule }) =>
      rule.then.flatMap((effect) => (effect.effect === 'reveal' ? [effect.piece] : [])),
    ),
  );
  for (const piece of level.ground.pieces) {
    if (piece.piece !== 'collectable' || (piece.hidden && !revealed.has(piece.id))) continue;
    const points = each.get(piece.kind) ?? 0;
    count[piece.kind] = (count[piece.kind] ?? 0) + 1;
    worth[piece.kind] = (worth[piece.kind] ?? 0) + points;
    count['any'] = (count['any'] as number) + 1;
    worth['any'] = (worth['any'] as number) + points;
  }
  return { count, worth };
}
