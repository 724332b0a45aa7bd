import { isWall } from '../../../play/grid/index.ts';
import { enemyKind } from '../dangers.ts';
import type { Check } from '../finding.ts';
import { foundOfPieces, pieceWords } from '../parts.ts';

/** A spawner in whose area no cell is open. */
export const spawnerWithoutRoom: Check<'level'> = {
  code: 'spawner-without-room',
  title: 'Spawner without room',
  group: 'ground',
  severity: 'surely wrong',
  source: 'judge',
  scope: 'level',
  find: (facts) =>
    foundOfPieces(facts, (piece, _stretch, grid) => {
      const { project } = facts;
      if (piece.piece !== 'spawner') return undefined;
      const movement = enemyKind(project, piece.kind)?.movement;
      if (movement === 'cross' || movement === 'circle' || movement === 'fall') return undefined;
      const { width, height } = piece.spread ?? { width: 0, height: 0 };
      const { x, y } = piece.at;
      for (let column = Math.floor(x - width / 2); column <= Math.floor(x + width / 2); column++)
        for (let row = Math.floor(y - height / 2); row <= Math.floor(y + height / 2); row++)
          if (!isWall(grid, column, row)) return undefined;
      return {
        sentence: `${pieceWords(piece, project)} has no room for what it sends.`,
        reason: piece.spread ? 'Every cell of its area is wall.' : 'It lies in a wall, and has no area around it.',
      };
    }),
};
