import { namesFor } from '../../attempt/index.ts';
import { pointerOf } from '../../model/index.ts';
import { evidenceOf, type EvidenceCheck } from './attemptFacts.ts';

/** Named one by one up to so many. */
const NAMED = 3;

/** Pieces that can be reached and that no attempt gathered. */
export const neverGathered: EvidenceCheck = {
  code: 'never-gathered',
  find(facts) {
    const { here, forecast, pacer, isMiddle } = facts;
    const { level, project, reach, slot } = here;
    if (!isMiddle || !forecast.neverGathered || forecast.clearRate === 0) return [];
    const all = level.ground.pieces.filter(({ piece }) => piece === 'collectable');
    const left = forecast.neverGathered.flatMap((index) => {
      const piece = all[index];
      // What cannot be reached is read off the ground.
      return piece && reach.touches(piece.at) ? [piece] : [];
    });
    const [first] = left;
    if (!first) return [];
    const names = namesFor(project, level).pieces;
    const named = left.slice(0, NAMED).map(({ id }) => names[id] ?? id);
    const more = left.length > NAMED ? ` and ${left.length - NAMED} more` : '';
    return [
      {
        slotId: slot.id,
        path: pointerOf(['levels', level.id, 'ground', 'pieces', first.id]),
        sentence: left.length === 1 ? 'Nobody gathers a piece.' : `Nobody gathers ${left.length} of the pieces.`,
        reason: `In ${forecast.attempts} attempts by ${pacer.name} nobody gathered ${named.join(', ')}${more}.`,
        evidence: evidenceOf(facts, true),
      },
    ];
  },
};
