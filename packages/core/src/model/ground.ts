import { z } from 'zod';
import { Limits } from './limits.ts';
import { Piece, Place } from './piece.ts';

export { Place };

/** A level's playing field: its cells as text (# wall, . open, ~ no ground), and the pieces on it. */
export const Ground = z
  .strictObject({
    kind: z.enum(['roam']),
    rows: z
      .array(
        z
          .string()
          .regex(/^[#.~]+$/, 'A row is made of # (wall), . (open) and ~ (no ground).')
          .min(4, 'A ground is at least 4 cells wide.')
          .max(Limits.groundWidth, 'A ground is at most 64 cells wide.'),
      )
      .min(4, 'A ground is at least 4 cells high.')
      .max(Limits.groundHeight, 'A ground is at most 40 cells high.'),
    pieces: z.array(Piece).max(Limits.pieces, 'At most 400 pieces on a ground.'),
  })
  .superRefine((ground, context) => {
    const width = ground.rows[0]?.length ?? 0;
    ground.rows.forEach((row, index) => {
      if (row.length !== width) {
        context.addIssue({
          code: 'custom',
          path: ['rows', index],
          message: `Row ${index + 1} has ${row.length} cells, the first has ${width}: all rows must be equally long.`,
        });
      }
    });
    const starts = ground.pieces.filter((piece) => piece.piece === 'start').length;
    if (starts !== 1) {
      context.addIssue({
        code: 'custom',
        path: ['pieces'],
        message: `A ground has exactly one start; this has ${starts}.`,
      });
    }
    ground.pieces.forEach((piece, index) => {
      const cell = ground.rows[Math.floor(piece.at.y)]?.[Math.floor(piece.at.x)];
      if (cell === undefined) {
        context.addIssue({
          code: 'custom',
          path: ['pieces', index, 'at'],
          message: `“${piece.id}” lies outside the ground.`,
        });
      }
    });
  })
  .meta({ title: 'Ground' });
export type Ground = z.infer<typeof Ground>;
