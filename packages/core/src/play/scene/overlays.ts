import { HEADED_MOVEMENTS, type Figure, type Gap, type Mark, type PreparedLevel } from '../attempt/index.ts';
import { groundKindOf, makeWorld } from '../movement/index.ts';
import { HEADING_VECTORS, nearestHeadingOf } from '../grid/index.ts';
import type { Level, Piece, Place, Project } from '../../document/model/index.ts';
import type { Values } from '../../document/ramps/index.ts';
import { resolveAmount } from '../rules/index.ts';
import type { Reach } from './reachOf.ts';

/** Opacity of what is spread over cells, at most. */
const DARKEST = 0.55;
const SPOT = 0.3;
/** Spots lie over one another: many at one place are seen as one that is darker. */
const SPOT_OPACITY = 0.2;

const cellFigure = (grid: { width: number }, cell: number, fill: 'edit' | 'loss' | 'mark'): Figure => ({
  is: 'rectangle',
  x: cell % grid.width,
  y: Math.floor(cell / grid.width),
  width: 1,
  height: 1,
  fill,
});

/** Where attempts were lost. @param lostAt x, y, x, y … in units */
export function lossMarks(lostAt: readonly number[]): Mark[] {
  const spots: Mark[] = [];
  for (let i = 0; i + 1 < lostAt.length; i += 2) {
    const [x, y] = [lostAt[i] as number, lostAt[i + 1] as number];
    spots.push({
      key: `lost-${i / 2}`,
      figures: [{ is: 'circle', x, y, radius: SPOT, fill: 'loss' }],
      opacity: SPOT_OPACITY,
    });
  }
  return spots;
}

/** The darker, the further from the start. */
export const reachMarks = ({ units, width, furthest }: Reach): Mark[] =>
  units.flatMap((way, cell): Mark[] =>
    way === undefined || way <= 0
      ? []
      : [
          {
            key: `reach-${cell}`,
            figures: [cellFigure({ width }, cell, 'edit')],
            opacity: (way / Math.max(1, furthest)) * DARKEST,
          },
        ],
  );

/** Cells that nothing leads to. */
export const unreachableMarks = ({ units, width }: Reach): Mark[] => [
  {
    key: 'unreachable',
    figures: units.flatMap((way, cell): Figure[] =>
      way === -1
        ? [
            {
              is: 'hatch',
              x: cell % width,
              y: Math.floor(cell / width),
              width: 1,
              height: 1,
              stroke: 'loss',
              line: 0.06,
            },
          ]
        : [],
    ),
  },
];

const circle = (x: number, y: number, radius: number, stroke: 'loss' | 'mark'): Figure => ({
  is: 'circle',
  x,
  y,
  radius,
  stroke,
  line: 0.06,
  dash: [0.3, 0.2],
});

/** How near to the player spawners send none, and the areas into which they send. */
export const safeDistanceMarks = ({ ground }: Pick<Level, 'ground'>): Mark[] =>
  ground.pieces.flatMap((piece): Mark[] =>
    piece.piece !== 'spawner'
      ? []
      : [
          {
            key: `safe-${piece.id}`,
            figures: [
              ...(piece.safeDistance > 0 ? [circle(piece.at.x, piece.at.y, piece.safeDistance, 'loss')] : []),
              ...(piece.spread
                ? [
                    {
                      is: 'rectangle',
                      x: piece.at.x - piece.spread.width / 2,
                      y: piece.at.y - piece.spread.height / 2,
                      ...piece.spread,
                      stroke: 'loss',
                      line: 0.06,
                      dash: [0.12, 0.12],
                    } satisfies Figure,
                  ]
                : []),
            ],
          },
        ],
  );

/** How far chasers see. */
export const sightMarks = (project: Project, { ground }: Pick<Level, 'ground'>, values: Values): Mark[] =>
  ground.pieces.flatMap((piece): Mark[] => {
    if (piece.piece !== 'enemy') return [];
    const kind = project.kinds.enemies.find(({ id }) => id === piece.kind);
    if (kind?.movement !== 'chase') return [];
    const sight = resolveAmount(kind.sight, values, { count: {}, worth: {} });
    return sight > 0 ? [{ key: `sight-${piece.id}`, figures: [circle(piece.at.x, piece.at.y, sight, 'mark')] }] : [];
  });

const pointsOf = (places: readonly Place[]): number[] => places.flatMap(({ x, y }) => [x, y]);

/** Length of the line that shows the first heading. Units. */
const HEADING_LINE = 1.5;

/** Where one that does not patrol goes: round its place, or off in a direction. */
function courseOf(project: Pick<Project, 'kinds'>, piece: Piece & { piece: 'enemy' }): Figure[] {
  const kind = project.kinds.enemies.find(({ id }) => id === piece.kind);
  const { x, y } = piece.at;
  if (kind?.movement === 'circle') return [circle(x, y, kind.distance, 'loss')];
  const heading = kind?.movement === 'fall' ? 90 : (piece.heading ?? 0);
  if (!kind || (kind.movement !== 'fall' && !HEADED_MOVEMENTS.has(kind.movement))) return [];
  const [toX, toY] = HEADING_VECTORS[nearestHeadingOf(heading)] as readonly [number, number];
  const points = [x, y, x + toX * HEADING_LINE, y + toY * HEADING_LINE];
  return [{ is: 'line', points, stroke: 'loss', line: 0.06, dash: [0.25, 0.18] }];
}

/** The ways of enemies that do not chase: of patrols with their points. */
export const patrolMarks = (project: Pick<Project, 'kinds'>, { ground }: Pick<Level, 'ground'>): Mark[] =>
  ground.pieces.flatMap((piece): Mark[] => {
    if (piece.piece !== 'enemy') return [];
    const course = courseOf(project, piece);
    if (course.length > 0) return [{ key: `course-${piece.id}`, figures: course }];
    return piece.path && piece.path.length > 0
      ? [
          {
            key: `patrol-${piece.id}`,
            figures: [
              {
                is: 'line',
                points: pointsOf([piece.at, ...piece.path]),
                stroke: 'loss',
                line: 0.06,
                dash: [0.25, 0.18],
              },
              ...piece.path.map(({ x, y }): Figure => ({
                is: 'rectangle',
                x: x - 0.14,
                y: y - 0.14,
                width: 0.28,
                height: 0.28,
                fill: 'sheet',
                stroke: 'loss',
                line: 0.06,
              })),
            ],
          },
        ]
      : [];
  });

/** A gap that forgives less is tight. Seconds. */
const TIGHT_SECONDS = 0.1;
/** Less than this is more exact than people press. Seconds. Of players whose presses differ by 60 ms, one in four misses a window of 50 ms. */
export const TOO_TIGHT_SECONDS = 0.05;

const NO_GAPS: Gap[] = [];
const knownGaps = new Map<string, Gap[]>();
const MOST_GROUNDS_KEPT = 1000;

/** Returns the gaps of a level with their margins; none on kinds of ground without gaps. */
export function gapsOf(level: PreparedLevel): Gap[] {
  const { gaps, gapsGoBy } = groundKindOf(level.kind);
  if (!gaps) return NO_GAPS;
  const { rows, body, player, pieces } = level.motion;
  // Only the facts on which gaps depend: levels that differ otherwise share the result.
  const key = JSON.stringify([rows, gapsGoBy?.(body) ?? body, player.radius, pieces.gate, pieces.hazard]);
  const known = knownGaps.get(key);
  if (known) return known;
  const found = gaps(makeWorld(level));
  if (knownGaps.size >= MOST_GROUNDS_KEPT) knownGaps.clear();
  knownGaps.set(key, found);
  return found;
}

/** Gaps in the colour of what they forgive: green, yellow below a tenth of a second, red below half of that. */
export const gapMarks = (gaps: readonly Gap[]): Mark[] =>
  gaps.map(({ x, y, width, seconds }, index) => ({
    key: `gap-${index}`,
    figures: [
      {
        is: 'rectangle',
        x,
        y,
        width,
        height: 0.3,
        fill: seconds < TOO_TIGHT_SECONDS ? 'loss' : seconds < TIGHT_SECONDS ? 'mark' : 'win',
      },
    ],
  }));

/** The ways that the player's body makes from a cell: a jump at full speed to either side. @param at the cell */
export function wayFromMarks(level: PreparedLevel, at: { x: number; y: number }): Mark[] {
  const { waysFrom } = groundKindOf(level.kind);
  const ways = waysFrom?.(makeWorld(level), at.x, at.y) ?? [];
  return ways.map((points, index) => ({
    key: `way-from-${index}`,
    figures: [{ is: 'line', points, stroke: 'edit', line: 0.07, dash: [0.22, 0.14] }],
  }));
}

/** Signs beside pieces of which something was found. @param ids of those pieces */
export const findingMarks = ({ ground }: Pick<Level, 'ground'>, ids: ReadonlySet<string>): Mark[] =>
  ground.pieces.flatMap(({ id, at: { x, y } }): Mark[] =>
    ids.has(id)
      ? [
          {
            key: `finding-${id}`,
            figures: [
              {
                is: 'polygon',
                points: [x + 0.42, y - 0.85, x + 0.78, y - 0.2, x + 0.06, y - 0.2],
                fill: 'mark',
                stroke: 'ink',
                line: 0.07,
              },
            ],
          },
        ]
      : [],
  );

/** Lines from latches to the gates that they open. */
export function tieMarks({ ground }: Pick<Level, 'ground'>): Mark[] {
  const gates = new Map(ground.pieces.flatMap((piece) => (piece.piece === 'gate' ? [[piece.id, piece] as const] : [])));
  return ground.pieces.flatMap((piece): Mark[] => {
    if (piece.piece !== 'latch') return [];
    return piece.opens.flatMap((id): Mark[] => {
      const gate = gates.get(id);
      if (!gate) return [];
      const to = { x: gate.at.x + gate.width / 2, y: gate.at.y + gate.height / 2 };
      const line: Figure = {
        is: 'line',
        points: pointsOf([piece.at, to]),
        stroke: 'win',
        line: 0.08,
        dash: [0.3, 0.12],
      };
      return [{ key: `tie-${piece.id}-${id}`, figures: [line] }];
    });
  });
}

/** Where players pass: the darker, the more of them. @param passes by cell: share of the attempts that passed there, 0–1 */
export const passMarks = (passes: readonly number[], width: number): Mark[] =>
  passes.flatMap((share, cell): Mark[] =>
    share === 0
      ? []
      : [{ key: `pass-${cell}`, figures: [cellFigure({ width }, cell, 'mark')], opacity: Math.min(1, share) * 0.8 }],
  );

/** A way over the ground. @param points x, y, x, y … in units */
export const wayMarks = (points: readonly number[]): Mark[] =>
  points.length < 4 ? [] : [{ key: 'way', figures: [{ is: 'line', points, stroke: 'edit', line: 0.12 }] }];

/** Draws the marks that only an editor of the ground shows: pieces that are hidden at first, and spawners that send anywhere in an area. */
export const hiddenMarks = ({ ground }: Pick<Level, 'ground'>): Mark[] =>
  ground.pieces.flatMap((piece): Mark[] => {
    if (piece.piece === 'collectable' && piece.hidden)
      return [
        {
          key: `hidden-${piece.id}`,
          figures: [
            { is: 'circle', x: piece.at.x, y: piece.at.y, radius: 0.28, stroke: 'ink', line: 0.06, dash: [0.1, 0.1] },
          ],
        },
      ];
    if (piece.piece === 'spawner' && piece.spread)
      return [
        {
          key: `spread-${piece.id}`,
          figures: [
            { is: 'circle', x: piece.at.x, y: piece.at.y, radius: 0.4, stroke: 'loss', line: 0.08, dash: [0.16, 0.14] },
          ],
        },
      ];
    return [];
  });
