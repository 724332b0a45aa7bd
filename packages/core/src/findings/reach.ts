import { REACH, type PreparedLevel } from '../attempt/index.ts';
import { sectionsOf } from '../ground/index.ts';
import { groundKindOf } from '../grounds/index.ts';
import type { Level } from '../model/index.ts';
import type { RuleInForce } from '../rules/index.ts';
import { waysOf, type Ways } from '../scene/index.ts';

/** Where a player may come to, in any state of the gates that can occur. Never too little: where nothing is sure, everywhere. */
export interface Reach extends Pick<Ways, 'touches' | 'enters' | 'opens'> {
  with(open: ReadonlySet<string>): Reach;
}

/** Where the player of a level may come to. @param rules in force there */
export function reachOf(prepared: PreparedLevel, level: Level, rules: readonly RuleInForce[]): Reach {
  // Sections come again and again: nothing is sure about what is laid on.
  if (sectionsOf(level.ground).length > 0) {
    const gates = level.ground.pieces.flatMap(({ id, piece }) => (piece === 'gate' ? [id] : []));
    const everywhere: Reach = {
      ...{ touches: () => true, enters: () => true, opens: new Set(gates) },
      with: () => everywhere,
    };
    return everywhere;
  }
  return waysOf(level.ground, { rules, farthest: farthestOf(prepared) });
}

/** How far from the middle of the player something can be gathered. Units. */
export const farthestOf = (prepared: PreparedLevel): number =>
  prepared.motion.player.radius + REACH + (groundKindOf(prepared.kind).halfOf?.(prepared) ?? 0);
