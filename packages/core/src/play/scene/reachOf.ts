import { REACH, runsAlongRow } from '../attempt/index.ts';
import { cellAt, cellsIn, DistanceMaps, holesIn, makeGrid, UNREACHABLE, withWalls, type Grid } from '../grid/index.ts';
import type { Id, Level, Piece } from '../../document/model/index.ts';
import { leaves, type RuleInForce } from '../rules/index.ts';

/** Distances are kept in fifths of a unit. */
const PER_UNIT = 5;
/** The radius of a player where none is given. Units. */
const USUAL_RADIUS = 0.3;

/** A rectangle from its upper left corner. Units. */
interface Area {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** Where a player can come from the start, in any state of the gates that can occur. */
export interface Ways {
  grid: Grid;
  /** The way from the start to each cell, in fifths of a unit; UNREACHABLE where nothing leads. */
  cells: Int32Array;
  /** Ids of the gates that can be open at some time. */
  opens: ReadonlySet<Id>;
  /** Can the player come near enough to a place to gather or touch what lies there? */
  touches(place: { x: number; y: number }): boolean;
  /** Can the middle of the player come into an area? */
  enters(area: Area): boolean;
  /** The same, if some gates were open from the start. */
  with(open: ReadonlySet<Id>): Ways;
}

interface WaysOptions {
  /** The rules in force: they say which gates open, and whether missing ground ends the way. Without them all gates open, and no way leads over missing ground. */
  rules?: readonly RuleInForce[];
  /** How far from the middle of the player something can be gathered, units. */
  farthest?: number;
  /** The greatest height of the middle of the player, units above the lower edge; without it, any. */
  highest?: number;
}

type PieceOf<N extends Piece['piece']> = Extract<Piece, { piece: N }>;
const piecesOf = <N extends Piece['piece']>(pieces: readonly Piece[], name: N): PieceOf<N>[] =>
  pieces.filter((piece): piece is PieceOf<N> => piece.piece === name);

/** Cells over which lanes carry whoever stands there. */
const riddenCells = (pieces: readonly Piece[], { width, height }: Grid): ReadonlySet<number> =>
  new Set(
    piecesOf(pieces, 'lane').flatMap((lane) => {
      if (!lane.carries) return [];
      return runsAlongRow(lane)
        ? Array.from({ length: width }, (_, x) => Math.floor(lane.at.y) * width + x)
        : Array.from({ length: height }, (_, y) => y * width + Math.floor(lane.at.x));
    }),
  );

/** Do the rules put back, or end the attempt of, a player who leaves the ground, at once? */
const isHoleClosed = (rules: readonly RuleInForce[]): boolean =>
  rules.some(
    ({ rule: { when, then } }) =>
      then.some(
        (effect) =>
          effect.effect === 'lose' ||
          effect.effect === 'back' ||
          (effect.effect === 'loseLife' && effect.back !== 'stay'),
      ) &&
      ('of' in when ? when.is === 'any' : true) &&
      leaves(when).some(
        ({ leaf, path }) =>
          path.length <= 2 &&
          leaf.is === 'onOff' &&
          leaf.on &&
          leaf.reading.reading === 'offGround' &&
          leaf.heldSeconds === undefined,
      ),
  );

/** Finds where a player can come from the start of a ground: words, pictures and findings share this. */
export function waysOf(
  { rows, pieces }: Pick<Level['ground'], 'rows' | 'pieces'>,
  { rules, farthest = USUAL_RADIUS + REACH, highest = Number.POSITIVE_INFINITY }: WaysOptions = {},
): Ways {
  const solid = makeGrid(rows);
  const ridden = riddenCells(pieces, solid);
  const isClosed = rules === undefined || isHoleClosed(rules);
  const holes = isClosed ? holesIn(rows).filter((cell) => !ridden.has(cell)) : [];
  // The lower edge of a cell of these rows is higher than anybody gets.
  const tooHigh = Math.max(0, solid.height - 1 - Math.floor(highest));
  const grid = withWalls(solid, [...holes, ...Array.from({ length: tooHigh * solid.width }, (_, cell) => cell)]);
  const gates = piecesOf(pieces, 'gate');
  const latches = piecesOf(pieces, 'latch');
  const start = pieces.find(({ piece }) => piece === 'start');
  // A stretch without a start is entered from its left.
  const entered = Array.from({ length: grid.height }, (_, row) => row * grid.width).find(
    (cell) => grid.walls[cell] !== 1,
  );
  const first = start ? cellAt(grid, start.at.x, start.at.y) : entered;
  const byRules = (rules ?? []).flatMap(({ rule }) =>
    rule.then.flatMap((effect) => (effect.effect === 'gate' && effect.open ? [effect.gate] : [])),
  );
  const nowhere = (): Int32Array => new Int32Array(grid.walls.length).fill(UNREACHABLE);

  function from(open: ReadonlySet<Id>): Ways {
    const opens = new Set(open);
    let cells: Int32Array;
    const touches = ({ x, y }: { x: number; y: number }): boolean => {
      const near = { x: x - farthest, y: y - farthest, width: 2 * farthest, height: 2 * farthest };
      for (const cell of cellsIn(grid, near)) {
        if (cells[cell] === UNREACHABLE) continue;
        const column = cell % grid.width;
        const row = (cell - column) / grid.width;
        const dx = Math.max(column - x, 0, x - column - 1);
        const dy = Math.max(row - y, 0, y - row - 1);
        if (dx * dx + dy * dy <= farthest * farthest) return true;
      }
      return false;
    };
    for (;;) {
      const closed = gates.flatMap(({ id, at: corner, width, height }) =>
        opens.has(id) ? [] : cellsIn(grid, { ...corner, width, height }),
      );
      cells = first === undefined ? nowhere() : new DistanceMaps(withWalls(grid, closed)).to(first);
      const more = latches.flatMap((latch) => (touches(latch.at) ? latch.opens.filter((id) => !opens.has(id)) : []));
      if (more.length === 0) break;
      for (const id of more) opens.add(id);
    }
    return {
      ...{ grid: solid, cells, opens, touches },
      enters: (area) => cellsIn(grid, area).some((cell) => cells[cell] !== UNREACHABLE),
      with: (others) => from(new Set([...open, ...others])),
    };
  }
  const openAtFirst = gates.flatMap(({ id, open }) => (rules === undefined || open ? [id] : []));
  return from(new Set([...openAtFirst, ...byRules]));
}

/** The reachable part of a ground, in numbers. */
export interface Reach {
  /** Units from the start to each cell; -1 where nothing leads there, undefined for walls. */
  units: readonly (number | undefined)[];
  width: number;
  /** The longest way there is, units. */
  furthest: number;
  /** Ids of the pieces to gather or to reach that nothing leads to. */
  unreachable: readonly string[];
  /** The number of pieces to gather or to reach. */
  wanted: number;
}

const isWanted = (piece: Piece): boolean =>
  piece.piece === 'collectable' || piece.piece === 'goal' || piece.piece === 'latch' || piece.piece === 'checkpoint';

/** The distance of every cell from the start, and the pieces out of reach. @param ways with the rules in force; without, all gates count as open */
export function reachOf(
  { ground }: { ground: Pick<Level['ground'], 'rows' | 'pieces'> },
  ways: Ways = waysOf(ground),
): Reach {
  const { grid, cells } = ways;
  const units = Array.from(grid.walls, (wall, cell) => {
    if (wall === 1) return undefined;
    const way = cells[cell] ?? UNREACHABLE;
    return way === UNREACHABLE ? -1 : way / PER_UNIT;
  });
  const wanted = ground.pieces.filter(isWanted);
  const isReached = (piece: Piece): boolean =>
    'width' in piece ? ways.enters({ ...piece.at, width: piece.width, height: piece.height }) : ways.touches(piece.at);
  return {
    units,
    width: grid.width,
    furthest: units.reduce<number>((most, way) => Math.max(most, way ?? 0), 0),
    unreachable: wanted.filter((piece) => !isReached(piece)).map(({ id }) => id),
    wanted: wanted.length,
  };
}
