import { isWall } from '../../../play/grid/index.ts';
import { pointerOf } from '../../../document/model/index.ts';
import { harmfulKinds, hazardKindOf, holds, startOf } from '../dangers.ts';
import type { Check } from '../finding.ts';
import { gridOf } from '../gridOf.ts';

/** The start lies in a wall, or on what hurts. */
export const startInDanger: Check<'slot'> = {
  code: 'start-in-danger',
  title: 'Starts in a wall or a hazard',
  group: 'start',
  severity: 'surely wrong',
  source: 'judge',
  scope: 'slot',
  find(here) {
    const { level, slot, project } = here;
    const { rows, pieces } = level.ground;
    const start = pieces.find(({ piece }) => piece === 'start');
    if (!start) return [];
    const at = startOf(level);
    const told = (sentence: string, reason: string) => [
      { slotId: slot.id, path: pointerOf(['levels', level.id, 'ground', 'pieces', start.id]), sentence, reason },
    ];
    if (isWall(gridOf(rows), Math.floor(at.x), Math.floor(at.y)))
      return told('The start lies in a wall.', 'Nobody can move from there.');
    const harmful = harmfulKinds(here);
    const hazard = pieces.find((piece) => piece.piece === 'hazard' && harmful.has(piece.kind) && holds(piece, at));
    if (hazard?.piece !== 'hazard') return [];
    const name = hazardKindOf(project, hazard.kind)?.name.toLowerCase() ?? hazard.kind;
    return told(`The start lies in a ${name}.`, 'It hurts whoever begins, before any key is pressed.');
  },
};
