import { z } from 'zod';
import { isBarredOn } from '../values/pieces.ts';
import { keyed, Order, type Listed } from './keyed.ts';
import { Limits } from '../values/limits.ts';
import { Name } from './name.ts';
import { LiveAxis } from './parameter.ts';
import { PieceEntry, type Piece } from './piece.ts';

const SEEN_FROM_ABOVE = {
  pattern: /^[#.~]+$/,
  said: 'A row is made of # (wall), . (open) and ~ (no ground).',
};
const WITH_LEDGES = { pattern: /^[#.-]+$/, said: 'A row is made of # (wall), . (open) and - (ledge).' };
const SEEN_FROM_ASIDE = { pattern: /^[#.]+$/, said: 'A row is made of # (wall) and . (open).' };

type Cells = typeof SEEN_FROM_ABOVE;

const rowsOf = ({ pattern, said }: Cells, least: number, most: number) =>
  z
    .array(
      z
        .string()
        .regex(pattern, said)
        .min(least, `A ground is at least ${least} cells wide.`)
        .max(most, `A ground is at most ${most} cells wide.`),
    )
    .min(Limits.groundLeast, 'A ground is at least 4 cells high.')
    .max(Limits.groundHeight, 'A ground is at most 40 cells high.');

interface Cut {
  rows: readonly string[];
  pieces: Readonly<Record<string, z.infer<typeof PieceEntry>>>;
}

/** Problems of cells and the pieces on them: rows of different lengths, pieces outside, not the starts that there must be. */
function cutProblems({ rows, pieces }: Cut, starts: number, say: (path: (string | number)[], message: string) => void) {
  const width = rows[0]?.length ?? 0;
  rows.forEach((row, index) => {
    if (row.length !== width)
      say(
        ['rows', index],
        `Row ${index + 1} has ${row.length} cells, the first has ${width}: all rows must be equally long.`,
      );
  });
  const entries = Object.entries(pieces);
  const found = entries.filter(([, { piece }]) => piece === 'start').length;
  if (found !== starts)
    say(
      ['pieces'],
      starts === 1 ? `A ground has exactly one start; this has ${found}.` : 'A run starts before its sections.',
    );
  for (const [id, { at }] of entries)
    if (rows[Math.floor(at.y)]?.[Math.floor(at.x)] === undefined)
      say(['pieces', id, 'at'], `“${id}” lies outside the ground.`);
}

/** Cells as text, all rows equally long; and the pieces on them. */
const groundOf = <K extends string>(kind: K, cells: Cells) =>
  z
    .strictObject({
      kind: z.literal(kind),
      rows: rowsOf(cells, Limits.groundLeast, Limits.groundWidth),
      pieces: keyed(PieceEntry, Limits.pieces, 'pieces on a ground'),
    })
    .superRefine((ground, context) =>
      cutProblems(ground, 1, (path, message) => context.addIssue({ code: 'custom', path, message })),
    );

/** One stretch of a run: a small ground that comes in its turn, drawn by tier and weight. */
const SectionEntry = z
  .strictObject({
    order: Order,
    name: Name(Limits.nameLength, 'A section needs a name.'),
    tier: z.number().int().min(1).max(Limits.tiers).describe('The tier from whose pool it is drawn, from 1.'),
    weight: z.number().min(0).max(100).describe('How often it comes beside the others of its pool; 0 for never.'),
    rows: rowsOf(SEEN_FROM_ASIDE, Limits.sectionLeast, Limits.sectionWidth),
    pieces: keyed(PieceEntry, Limits.sectionPieces, 'pieces on a section'),
  })
  .superRefine((section, context) =>
    cutProblems(section, 0, (path, message) => context.addIssue({ code: 'custom', path, message })),
  );
type SectionEntry = z.infer<typeof SectionEntry>;

/** An opening with the start, and sections that follow it as they are drawn. */
const RunGround = z
  .strictObject({
    kind: z.literal('run'),
    rows: rowsOf(SEEN_FROM_ASIDE, Limits.groundLeast, Limits.groundWidth).describe('The opening: it comes first.'),
    pieces: keyed(PieceEntry, Limits.pieces, 'pieces on a ground'),
    drawnBy: LiveAxis.describe('The reading whose tiers say from which pool the next section comes.'),
    sections: keyed(SectionEntry, Limits.sections, 'sections in a run'),
  })
  .superRefine((ground, context) => {
    const say = (path: (string | number)[], message: string): void =>
      context.addIssue({ code: 'custom', path, message });
    cutProblems(ground, 1, say);
    const cuts = [
      { path: [] as string[], cut: ground as Cut },
      ...Object.entries(ground.sections).map(([id, cut]) => ({ path: ['sections', id], cut })),
    ];
    for (const { path, cut } of cuts) {
      if (cut.rows.length !== ground.rows.length)
        say(
          [...path, 'rows'],
          `All of a run is equally high: the opening has ${ground.rows.length} rows, this has ${cut.rows.length}.`,
        );
      for (const [id, { piece }] of Object.entries(cut.pieces))
        if (isBarredOn('run', piece))
          say([...path, 'pieces', id], `A run has no ${piece}: only what is gathered, hurts or moves.`);
    }
  });

/** A level's playing field, by its kind. */
export const GroundEntry = z
  .discriminatedUnion('kind', [
    groundOf('roam', SEEN_FROM_ABOVE),
    groundOf('cross', SEEN_FROM_ABOVE),
    groundOf('lift', SEEN_FROM_ASIDE),
    groundOf('leap', WITH_LEDGES),
    RunGround,
  ])
  .meta({ id: 'Ground', title: 'Ground' });
export type GroundEntry = z.infer<typeof GroundEntry>;

/** A section as it is read. */
export type Section = Listed<Omit<SectionEntry, 'pieces'> & { pieces: Piece[] }>;

type Read<Entry> = Entry extends { sections: unknown }
  ? Omit<Entry, 'pieces' | 'sections'> & { pieces: Piece[]; sections: Section[] }
  : Entry extends { pieces: unknown }
    ? Omit<Entry, 'pieces'> & { pieces: Piece[] }
    : Entry;
/** As it is read: its pieces in a list. # wall, . open; seen from above also ~ no ground; of leap also - a ledge, solid from above only. */
export type Ground = Read<GroundEntry>;
