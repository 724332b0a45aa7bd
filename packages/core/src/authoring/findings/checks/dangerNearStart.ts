import { pointerOf } from '../../../document/model/index.ts';
import { distance, harmfulKinds, reachOfEnemy, slowestReaction, startOf } from '../dangers.ts';
import { say, type Check } from '../finding.ts';

/** An enemy that can be at the start before a slow player reacts. */
export const dangerNearStart: Check<'slot'> = {
  code: 'danger-near-start',
  title: 'Danger close to the start',
  group: 'start',
  severity: 'doubtful',
  source: 'judge',
  scope: 'slot',
  find(here) {
    const { level, slot, project } = here;
    const harmful = harmfulKinds(here);
    const start = startOf(level);
    return level.ground.pieces.flatMap((piece) => {
      if (piece.piece !== 'enemy' || !harmful.has(piece.kind)) return [];
      const reach = reachOfEnemy(here, piece);
      if (!reach) return [];
      const away = distance(piece.at, start) - reach.touch;
      if (away >= reach.goes) return [];
      return [
        {
          slotId: slot.id,
          path: pointerOf(['levels', level.id, 'ground', 'pieces', piece.id]),
          sentence: `${here.names.pieces[piece.id] ?? piece.kind} is at the start sooner than a slow player reacts.`,
          reason: `It begins ${say(Math.max(0, away))} units away and goes ${say(reach.goes)} in ${say(slowestReaction(project))} s.`,
        },
      ];
    });
  },
};
