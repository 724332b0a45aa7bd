import type { View, World } from '../../attempt/index.ts';
import { isWall } from '../../grid/index.ts';

const known = new WeakMap<World, Uint8Array>();

/** 1 for each cell that is a ledge: solid from above only. */
export function ledgesOf(world: World): Uint8Array {
  const before = known.get(world);
  if (before) return before;
  const { level, grid } = world;
  const ledges = Uint8Array.from({ length: grid.walls.length }, (_, cell) =>
    level.motion.rows[Math.floor(cell / grid.width)]?.[cell % grid.width] === '-' ? 1 : 0,
  );
  known.set(world, ledges);
  return ledges;
}

/** Is there something to stand on right below a cell, and room in it? @param row @param column of the cell */
export const isStandable = ({ grid }: View, { ledges }: { ledges: Uint8Array }, column: number, row: number): boolean =>
  !isWall(grid, column, row) &&
  row + 1 < grid.height &&
  (isWall(grid, column, row + 1) || ledges[(row + 1) * grid.width + column] === 1);
