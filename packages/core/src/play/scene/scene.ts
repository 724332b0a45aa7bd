import {
  between,
  disc,
  SHOT_RADIUS,
  SORTS,
  type AttemptState,
  type Figure,
  type Looks,
  type Mark,
  type Moment,
  type Places,
  type PreparedLevel,
} from '../attempt/index.ts';
import { groundKindOf } from '../movement/index.ts';

/** A ledge is drawn so thick. Units. */
const LEDGE_THICK = 0.22;

interface Block {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** The cells of one character in the rows of a ground, as few rectangles: runs that lie under one another are one, so that no seam shows. */
function blocksOf(rows: readonly string[], character: string): Block[] {
  const blocks: Block[] = [];
  let above: Block[] = [];
  rows.forEach((row, y) => {
    const here: Block[] = [];
    for (let x = 0; x < row.length; x++) {
      if (row[x] !== character) continue;
      const from = x;
      while (row[x + 1] === character) x++;
      const width = x + 1 - from;
      const same = above.find((block) => block.x === from && block.width === width);
      if (same) same.height++;
      else blocks.push({ x: from, y, width, height: 1 });
      here.push(same ?? (blocks.at(-1) as Block));
    }
    above = here;
  });
  return blocks;
}

interface Cells {
  kind: PreparedLevel['kind'];
  below: Mark[];
  walls: Mark;
}

const known = new WeakMap<readonly string[], Cells>();

/** The cells of a ground; worked out once for all frames of an attempt. */
function cellsOf({ kind, motion: { rows } }: PreparedLevel): Cells {
  const before = known.get(rows);
  if (before?.kind === kind) return before;
  const width = rows[0]?.length ?? 0;
  const walls = blocksOf(rows, '#').map((block): Figure => ({ is: 'rectangle', ...block, fill: 'wall' }));
  const holes = blocksOf(rows, '~').flatMap((block): Figure[] => [
    { is: 'rectangle', ...block, fill: 'sheet' },
    { is: 'hatch', ...block, stroke: 'ink', line: 0.04 },
  ]);
  const ledges = blocksOf(rows, '-').flatMap(({ x, y, width, height }): Figure[] =>
    Array.from({ length: height }, (_, down) => ({
      is: 'rectangle',
      x,
      y: y + down,
      width,
      height: LEDGE_THICK,
      fill: 'wall',
    })),
  );
  const cells: Cells = {
    kind,
    below: [
      {
        key: 'ground',
        figures: [
          { is: 'rectangle', x: 0, y: 0, width, height: rows.length, fill: 'ground' },
          ...(groundKindOf(kind).scenery?.(rows) ?? []),
          ...holes,
        ],
      },
    ],
    walls: { key: 'walls', figures: [...walls, ...ledges] },
  };
  known.set(rows, cells);
  return cells;
}

/** Everything that stands on a ground, lowest first. */
function marksOf(level: PreparedLevel, looks?: Looks, now?: Moment): Mark[] {
  const { below, walls } = cellsOf(level);
  const layer = (wanted: number): Mark[] =>
    SORTS.flatMap((sort) =>
      (sort.layer ?? 1) === wanted ? (sort.scene?.(level.motion.pieces[sort.name], level, now, looks) ?? []) : [],
    );
  return [...below, ...layer(0), walls, ...layer(1), ...layer(2), ...layer(3)];
}

/** A level's ground as it is before anybody moves: marks to be drawn, lowest first. Lengths in units. @param looks of the kinds; as usual when absent */
export const sceneOf = (level: PreparedLevel, looks?: Looks): Mark[] => marksOf(level, looks);

/** A body as it is drawn: round, or as tall as it is. */
const figureOfBody = (x: number, y: number, { radius, half }: { radius: number; half: number }): Figure =>
  half === 0
    ? disc(x, y, radius, 'mark', 'ink')
    : {
        is: 'rectangle',
        x: x - radius,
        y: y - radius - half,
        width: 2 * radius,
        height: 2 * (radius + half),
        round: radius,
        fill: 'mark',
        stroke: 'ink',
        line: 0.08,
      };

/** The stretch of the ground that is looked at between two ticks. Units. */
export function seenStretch(state: AttemptState, before: Places, share: number): { x: number; width: number } {
  const { kind, grid } = state.world;
  return kind.seen?.(between(before.x, state.body.x, share)) ?? { x: 0, width: grid.width };
}

/** An attempt between two ticks: marks to be drawn, lowest first. Lengths in units. */
export function sceneOfAttempt(state: AttemptState, before: Places, share: number, looks?: Looks): Mark[] {
  const { body, graceTicks } = state;
  const shots = state.shots.flatMap(({ active, x, y, kind }, index): Mark[] =>
    active ? [{ key: `shot-${index}`, figures: [disc(x, y, SHOT_RADIUS, kind < 0 ? 'mark' : 'loss', 'ink')] }] : [],
  );
  const player: Mark = {
    key: 'player',
    figures: [figureOfBody(between(before.x, body.x, share), between(before.y, body.y, share), body)],
    // In grace the player is seen through, now and then.
    opacity: graceTicks > 0 && Math.floor(graceTicks / 8) % 2 === 0 ? 0.45 : 1,
  };
  return [...marksOf(state.world.level, looks, { state, before, share }), ...shots, player];
}
