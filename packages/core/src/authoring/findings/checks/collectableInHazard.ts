import { pointerOf } from '../../../document/model/index.ts';
import { hazardKindOf, holds } from '../dangers.ts';
import type { Check, Found } from '../finding.ts';
import { onSection, pathOfPiece, pieceWords, slotOf, stretchesOf } from '../parts.ts';

/** Something to gather that lies in what hurts. */
export const collectableInHazard: Check<'level'> = {
  code: 'collectable-in-hazard',
  title: 'Collectable in a hazard',
  group: 'ground',
  severity: 'doubtful',
  source: 'judge',
  scope: 'level',
  find({ project, level }) {
    const slotId = slotOf(project, level);
    if (slotId === undefined) return [];
    return stretchesOf(level).flatMap((stretch): Found[] => {
      const inside = stretch.pieces.flatMap((piece) => {
        if (piece.piece !== 'collectable') return [];
        const hazard = stretch.pieces.find((other) => other.piece === 'hazard' && holds(other, piece.at));
        return hazard?.piece === 'hazard' ? [{ piece, hazard }] : [];
      });
      const [first] = inside;
      if (!first) return [];
      const name = hazardKindOf(project, first.hazard.kind)?.name.toLowerCase() ?? first.hazard.kind;
      const more =
        inside.length === 1 ? '' : ` ${inside.length - 1} more ${inside.length === 2 ? 'lies' : 'lie'} like that.`;
      return [
        {
          slotId,
          path: pointerOf(pathOfPiece(stretch, first.piece)),
          sentence: `${pieceWords(first.piece, project)}${onSection(stretch)} lies in a ${name}.`,
          reason: `Whoever gathers it goes into what hurts.${more}`,
        },
      ];
    });
  },
};
