import { namesFor } from '../../../play/attempt/index.ts';
import { pointerOf, type Piece } from '../../../document/model/index.ts';
import { leaves } from '../../../play/rules/index.ts';
import { winning } from '../conditions.ts';
import type { SlotFacts } from '../scopes.ts';
import { evidenceOf, type EvidenceCheck } from './attemptFacts.ts';

/** Limit of the pieces that are named one by one. */
const NAMED = 3;

/**
 * Is a piece meant to matter: the only one of its kind on the ground, or needed for a win once the pieces that nobody
 * gathers are left out? Others are there to choose from.
 */
function matters(here: SlotFacts, kind: string, left: readonly Piece[]): boolean {
  const { level, resolving } = here;
  const of = (pieces: readonly Piece[], sort: string): number =>
    pieces.filter((piece) => piece.piece === 'collectable' && (sort === 'any' || piece.kind === sort)).length;
  if (of(level.ground.pieces, kind) === 1) return true;
  return winning(here).some(({ rule }) =>
    leaves(rule.when).some(({ leaf }) => {
      if (leaf.is !== 'compare') return false;
      const { reading } = leaf;
      if (reading.reading === 'left') return reading.of === kind || reading.of === 'any';
      if (reading.reading !== 'worth' && reading.reading !== 'collected') return false;
      if (reading.of !== 'any' && reading.of !== kind) return false;
      const measure = reading.reading === 'worth' ? 'worth' : 'count';
      const placed = resolving.placed[measure][reading.of] ?? 0;
      const share = of(left, reading.of) / Math.max(1, of(level.ground.pieces, reading.of));
      return here.number(leaf.amount) > placed * (1 - share);
    }),
  );
}

/** Pieces that can be reached and that no attempt gathered, where they are meant to matter. */
export const neverGathered: EvidenceCheck = {
  code: 'never-gathered',
  title: 'Piece that nobody gathers',
  group: 'difficulty',
  severity: 'doubtful',
  source: 'attempts',
  find(facts) {
    const { here, forecast, pacer, isMiddle } = facts;
    const { level, project, reach, slot } = here;
    if (!isMiddle || !forecast.neverGathered || forecast.clearRate === 0) return [];
    const all = level.ground.pieces.filter(({ piece }) => piece === 'collectable');
    const left = forecast.neverGathered.flatMap((index) => all[index] ?? []);
    const missed = forecast.neverGathered.flatMap((index) => {
      const piece = all[index];
      // Pieces out of reach are found on the ground.
      return piece?.piece === 'collectable' && reach.touches(piece.at) && matters(here, piece.kind, left)
        ? [piece]
        : [];
    });
    const [first] = missed;
    if (!first) return [];
    const names = namesFor(project, level).pieces;
    const named = missed.slice(0, NAMED).map(({ id }) => names[id] ?? id);
    const more = missed.length > NAMED ? ` and ${missed.length - NAMED} more` : '';
    return [
      {
        slotId: slot.id,
        path: pointerOf(['levels', level.id, 'ground', 'pieces', first.id]),
        sentence: missed.length === 1 ? 'Nobody gathers a piece.' : `Nobody gathers ${missed.length} of the pieces.`,
        reason: `In ${forecast.attempts} attempts by ${pacer.name} nobody gathered ${named.join(', ')}${more}.`,
        evidence: evidenceOf(facts, true),
      },
    ];
  },
};
