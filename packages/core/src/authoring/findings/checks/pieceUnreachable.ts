import { namesFor } from '../../../play/attempt/index.ts';
import { pointerOf } from '../../../document/model/index.ts';
import type { Check } from '../finding.ts';

/** Things to gather, latches and checkpoints that no way leads to, in any state of the gates that can come about. */
export const pieceUnreachable: Check<'judged'> = {
  code: 'piece-unreachable',
  title: 'Piece out of reach',
  group: 'win',
  severity: 'doubtful',
  source: 'judge',
  scope: 'judged',
  find({ level, slot, project, reach }) {
    const lost = level.ground.pieces.filter(
      (piece) =>
        (piece.piece === 'collectable' || piece.piece === 'latch' || piece.piece === 'checkpoint') &&
        !reach.touches(piece.at),
    );
    const [first] = lost;
    if (!first) return [];
    const names = namesFor(project, level).pieces;
    const nameOf = ({ id }: { id: string }): string => names[id] ?? id;
    const more = lost.length > 3 ? ` and ${lost.length - 3} more` : '';
    return [
      {
        slotId: slot.id,
        path: pointerOf(['levels', level.id, 'ground', 'pieces', first.id]),
        sentence:
          lost.length === 1 ? `${nameOf(first)} cannot be reached.` : `${lost.length} pieces cannot be reached.`,
        reason: `No way leads from the start to ${lost.slice(0, 3).map(nameOf).join(', ')}${more}, whatever gates open.`,
      },
    ];
  },
};
