import { pointerOf } from '../../../document/model/index.ts';
import { harmfulKinds, reachOfEnemy, slowestReaction } from '../dangers.ts';
import { say, type Check } from '../finding.ts';

/** A spawner that may send an enemy so near that a slow player cannot get away. */
export const spawnNearStart: Check<'slot'> = {
  code: 'spawn-near-start',
  title: 'Sends enemies too near',
  group: 'start',
  severity: 'doubtful',
  source: 'judge',
  scope: 'slot',
  find(here) {
    const { level, slot, project } = here;
    if (!level.ground.pieces.some(({ piece }) => piece === 'spawner')) return [];
    const harmful = harmfulKinds(here);
    return level.ground.pieces.flatMap((piece) => {
      if (piece.piece !== 'spawner' || !harmful.has(piece.kind) || here.number(piece.howMany) < 1) return [];
      const enemy = reachOfEnemy(here, piece);
      if (!enemy) return [];
      const needed = enemy.touch + enemy.goes;
      if (piece.safeDistance >= needed - 1e-9) return [];
      const { width, height } = piece.spread ?? { width: 0, height: 0 };
      const area = {
        x: piece.at.x - width / 2 - needed,
        y: piece.at.y - height / 2 - needed,
        width: width + 2 * needed,
        height: height + 2 * needed,
      };
      if (!here.reach.enters(area)) return [];
      const safe = Math.ceil(needed * 2) / 2;
      const path = pointerOf(['levels', level.id, 'ground', 'pieces', piece.id]);
      return [
        {
          slotId: slot.id,
          path,
          sentence: `${here.names.pieces[piece.id] ?? piece.kind} may send one too near to get away from.`,
          reason: `It keeps ${say(piece.safeDistance)} units from the player; what it sends touches at ${say(enemy.touch)} and goes ${say(enemy.goes)} in ${say(slowestReaction(project))} s.`,
          mend: {
            label: `Keep ${say(safe)} units`,
            patch: [{ op: 'replace' as const, path: `${path}/safeDistance`, value: safe }],
          },
        },
      ];
    });
  },
};
