import { z } from 'zod';
import { keyed } from './keyed.ts';
import { Limits } from './limits.ts';
import { PieceEntry, type Piece } from './piece.ts';

const SEEN_FROM_ABOVE = {
  pattern: /^[#.~]+$/,
  said: 'A row is made of # (wall), . (open) and ~ (no ground).',
};
const WITH_LEDGES = { pattern: /^[#.-]+$/, said: 'A row is made of # (wall), . (open) and - (ledge).' };
const SEEN_FROM_ASIDE = { pattern: /^[#.]+$/, said: 'A row is made of # (wall) and . (open).' };

/** Cells as text, all rows equally long; and the pieces on them. */
const groundOf = <K extends string>(kind: K, cells: { pattern: RegExp; said: string }) =>
  z
    .strictObject({
      kind: z.literal(kind),
      rows: z
        .array(
          z
            .string()
            .regex(cells.pattern, cells.said)
            .min(Limits.groundLeast, 'A ground is at least 4 cells wide.')
            .max(Limits.groundWidth, 'A ground is at most 64 cells wide.'),
        )
        .min(Limits.groundLeast, 'A ground is at least 4 cells high.')
        .max(Limits.groundHeight, 'A ground is at most 40 cells high.'),
      pieces: keyed(PieceEntry, Limits.pieces, 'pieces on a ground'),
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
      const pieces = Object.entries(ground.pieces);
      const starts = pieces.filter(([, { piece }]) => piece === 'start').length;
      if (starts !== 1) {
        context.addIssue({
          code: 'custom',
          path: ['pieces'],
          message: `A ground has exactly one start; this has ${starts}.`,
        });
      }
      for (const [id, { at }] of pieces) {
        if (ground.rows[Math.floor(at.y)]?.[Math.floor(at.x)] !== undefined) continue;
        context.addIssue({ code: 'custom', path: ['pieces', id, 'at'], message: `“${id}” lies outside the ground.` });
      }
    });

/** A level's playing field, by its kind. */
export const GroundEntry = z
  .discriminatedUnion('kind', [
    groundOf('roam', SEEN_FROM_ABOVE),
    groundOf('cross', SEEN_FROM_ABOVE),
    groundOf('lift', SEEN_FROM_ASIDE),
    groundOf('leap', WITH_LEDGES),
  ])
  .meta({ title: 'Ground' });
export type GroundEntry = z.infer<typeof GroundEntry>;

type Read<Entry> = Entry extends { pieces: unknown } ? Omit<Entry, 'pieces'> & { pieces: Piece[] } : Entry;
/** As it is read: its pieces in a list. # wall, . open; seen from above also ~ no ground; of leap also - a ledge, solid from above only. */
export type Ground = Read<GroundEntry>;
