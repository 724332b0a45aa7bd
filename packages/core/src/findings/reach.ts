import { cellAt, cellsIn, DistanceMaps, makeGrid, sectionsOf, UNREACHABLE, withWalls } from '../ground/index.ts';
import { groundKindOf } from '../grounds/index.ts';
import { REACH, startPlace, type PreparedLevel } from '../attempt/index.ts';
import type { Level, Piece } from '../model/index.ts';
import type { RuleInForce } from '../rules/index.ts';

/** A rectangle from its upper left corner. Units. */
interface Area {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** Where a player may come to, in any state of the gates that can come about. Never too little: where nothing is sure, everywhere. */
export interface Reach {
  /** May it come so near to a place that it gathers or touches what lies there? */
  touches(place: { x: number; y: number }): boolean;
  /** May its middle come into an area? */
  enters(area: Area): boolean;
  /** Ids of the gates that may be open at some time. */
  opens: ReadonlySet<string>;
  /** The same, were some gates open from the start. */
  with(open: ReadonlySet<string>): Reach;
}

type PieceOf<N extends Piece['piece']> = Extract<Piece, { piece: N }>;
const piecesOf = <N extends Piece['piece']>(level: Level, name: N): PieceOf<N>[] =>
  level.ground.pieces.filter((piece): piece is PieceOf<N> => piece.piece === name);

/** Where the player of a level may come to. @param rules in force there */
export function reachOf(prepared: PreparedLevel, level: Level, rules: readonly RuleInForce[]): Reach {
  const gates = piecesOf(level, 'gate');
  const byRules = rules.flatMap(({ rule }) =>
    rule.then.flatMap((effect) => (effect.effect === 'gate' && effect.open ? [effect.gate] : [])),
  );
  const first = new Set([...gates.flatMap(({ id, open }) => (open ? [id] : [])), ...byRules]);
  // What comes again and again is laid on beside: nothing is sure of it.
  if (sectionsOf(level.ground).length > 0) {
    const everywhere: Reach = {
      touches: () => true,
      enters: () => true,
      opens: new Set(gates.map(({ id }) => id)),
      with: () => everywhere,
    };
    return everywhere;
  }
  const grid = makeGrid(prepared.motion.rows);
  const at = startPlace(prepared);
  const start = cellAt(grid, at.x, at.y);
  const half = groundKindOf(prepared.kind).halfOf?.(prepared) ?? 0;
  const farthest = prepared.motion.player.radius + REACH + half;

  function from(open: ReadonlySet<string>): Reach {
    const opens = new Set(open);
    let ways: Int32Array;
    /** Is any reached cell so near to a place? */
    const isNear = ({ x, y }: { x: number; y: number }): boolean => {
      for (const cell of cellsIn(grid, {
        x: x - farthest,
        y: y - farthest,
        width: 2 * farthest,
        height: 2 * farthest,
      })) {
        if (ways[cell] === UNREACHABLE) continue;
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
      ways = new DistanceMaps(withWalls(grid, closed)).to(start);
      const more = piecesOf(level, 'latch').flatMap((latch) =>
        isNear(latch.at) ? latch.opens.filter((id) => !opens.has(id)) : [],
      );
      if (more.length === 0) break;
      for (const id of more) opens.add(id);
    }
    return {
      touches: isNear,
      enters: (area) => cellsIn(grid, area).some((cell) => ways[cell] !== UNREACHABLE),
      opens,
      with: (others) => from(new Set([...open, ...others])),
    };
  }
  return from(first);
}
