import type { PreparedLevel } from '../../play/attempt/index.ts';
import { isWall } from '../../play/grid/index.ts';
import type { Level, Project } from '../../document/model/index.ts';
import type { Ways } from '../../play/scene/index.ts';
import { gridOf } from './gridOf.ts';

/** Heights and ways are sums of many ticks: this much more than computed still counts as possible. Units. */
export const SLACK = 0.02;

/** The facts on which jumps depend. */
export interface JumpFacts {
  project: Project;
  level: Level;
  prepared: PreparedLevel;
  reach: Pick<Ways, 'enters'>;
}

/** The numbers of a body that a kind of ground prepares, where it has them. */
interface BodyNumbers {
  speed?: number;
  gravity?: number;
  jumpHeight?: number;
  jumpsInAir?: number;
  live: Readonly<Record<string, unknown>>;
}

export const bodyOf = ({ prepared }: Pick<JumpFacts, 'prepared'>): BodyNumbers => prepared.motion.body as BodyNumbers;

/** The heights of the floors that the player may stand on, units above the lower edge, lowest first. */
function floorsOf({ level, reach }: Pick<JumpFacts, 'level' | 'reach'>): number[] {
  const { rows } = level.ground;
  const grid = gridOf(rows);
  const heights = new Set<number>();
  rows.forEach((text, y) =>
    [...text].forEach((cell, x) => {
      const stands = cell === '-' || (!isWall(grid, x, y) && y + 1 < rows.length && isWall(grid, x, y + 1));
      if (stands && reach.enters({ x: x + 0.25, y: y + 0.25, width: 0.5, height: 0.5 }))
        heights.add(rows.length - (cell === '-' ? y : y + 1));
    }),
  );
  return [...heights].toSorted((one, other) => one - other);
}

/** The greatest height that jumps from floor to floor lead to; unlimited where that is not sure. Units. */
export function highestJump(here: JumpFacts): number {
  const { level, prepared, project } = here;
  const { gravity = 0, jumpHeight, jumpsInAir = 0, live } = bodyOf(here);
  const changes = ['gravity', 'jumpHeight', 'jumpsInAir'].some((name) => name in live);
  const isSure =
    prepared.kind === 'leap' &&
    jumpHeight !== undefined &&
    gravity > 0 &&
    !changes &&
    // A gate that closes may lift who stands in it, and a lane whoever it carries.
    !level.ground.pieces.some(({ piece }) => piece === 'gate' || piece === 'lane') &&
    // Falling onto an enemy lifts the player again.
    !project.kinds.enemies.some(({ fromAbove }) => fromAbove);
  if (!isSure) return Number.POSITIVE_INFINITY;
  const { radius } = prepared.motion.player;
  const start = level.ground.pieces.find(({ piece }) => piece === 'start');
  const jump = jumpHeight * (1 + Math.floor(jumpsInAir));
  let most = level.ground.rows.length - (start?.at.y ?? 0) + jump;
  // Lower floors come first, so one pass is enough.
  for (const floor of floorsOf(here)) if (floor + radius <= most + SLACK) most = Math.max(most, floor + radius + jump);
  return most;
}
