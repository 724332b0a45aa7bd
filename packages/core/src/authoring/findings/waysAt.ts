import { REACH, type PreparedLevel } from '../../play/attempt/index.ts';
import { sectionsOf } from '../../play/grid/index.ts';
import { groundKindOf } from '../../play/movement/index.ts';
import type { RuleInForce } from '../../play/rules/index.ts';
import { waysOf, type Ways } from '../../play/scene/index.ts';
import { highestJump, type JumpFacts } from './jumps.ts';

/** Where a player may come to, in any state of the gates that can occur. Never too little: where nothing is sure, everywhere. */
export interface Reach extends Pick<Ways, 'touches' | 'enters' | 'opens'> {
  with(open: ReadonlySet<string>): Reach;
}

/** The facts on which the ways of a player depend. */
type WaysFacts = Omit<JumpFacts, 'reach'> & { rules: readonly RuleInForce[] };

/** The ways of a level's player over its ground, no higher than jumps lead. Words, pictures and findings share this. */
export function waysAt({ level, prepared, project, rules }: WaysFacts): Ways {
  const options = { rules, farthest: farthestOf(prepared) };
  const ways = waysOf(level.ground, options);
  const highest = highestJump({ level, prepared, project, reach: ways });
  return Number.isFinite(highest) ? waysOf(level.ground, { ...options, highest }) : ways;
}

/** Where the player of a level may come to. */
export function reachOf(facts: WaysFacts): Reach {
  const { level } = facts;
  // Sections come again and again: nothing is sure about what is laid on.
  if (sectionsOf(level.ground).length > 0) {
    const gates = level.ground.pieces.flatMap(({ id, piece }) => (piece === 'gate' ? [id] : []));
    const everywhere: Reach = {
      ...{ touches: () => true, enters: () => true, opens: new Set(gates) },
      with: () => everywhere,
    };
    return everywhere;
  }
  return waysAt(facts);
}

/** How far from the middle of the player something can be gathered. Units. */
const farthestOf = (prepared: PreparedLevel): number =>
  prepared.motion.player.radius + REACH + (groundKindOf(prepared.kind).halfOf?.(prepared) ?? 0);
