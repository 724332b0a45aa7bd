import { isWall } from '../ground/index.ts';
import { liveAmount, ticksToSeconds } from '../rules/index.ts';
import { gridOf } from './parts.ts';
import type { SlotFacts } from './scopes.ts';

/** Heights and ways are sums of many ticks: so much more than computed still counts as possible. Units. */
const SLACK = 0.02;

/** Between which values a reading can lie during an attempt, in its unit. */
export interface Range {
  least: number;
  most: number;
}

type Here = Pick<SlotFacts, 'level' | 'prepared' | 'reach' | 'project' | 'resolving' | 'rules'>;
/** The facts on which jumps depend. */
export type JumpFacts = Pick<Here, 'level' | 'prepared' | 'project'> & { reach: Pick<Here['reach'], 'enters'> };

/** The numbers of a body that a kind of ground prepares, where it has them. */
interface BodyNumbers {
  speed?: number;
  gravity?: number;
  jumpHeight?: number;
  jumpsInAir?: number;
  live: Readonly<Record<string, unknown>>;
}

const bodyOf = ({ prepared }: Pick<JumpFacts, 'prepared'>): BodyNumbers => prepared.motion.body as BodyNumbers;

/** The topmost row that the player can reach, from 0; undefined where it reaches none. */
function topRow({ level, reach }: Pick<Here, 'level' | 'reach'>): number | undefined {
  const { rows } = level.ground;
  const width = rows[0]?.length ?? 0;
  const row = rows.findIndex((_text, y) => reach.enters({ x: 0, y: y + 0.25, width, height: 0.5 }));
  return row < 0 ? undefined : row;
}

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

/** Between which heights the middle of the player can be. Units above the lower edge. */
export function heightRange(here: Here): Range {
  const { level, prepared } = here;
  const high = level.ground.rows.length;
  if (prepared.kind === 'run') return { least: 0, most: high };
  const top = topRow(here);
  if (top === undefined) return { least: 0, most: high };
  const ceiling = high - top - prepared.motion.player.radius;
  return { least: 0, most: Math.min(ceiling, highestJump(here)) + SLACK };
}

/** Between which rows, counted from the lower edge, the player can be. */
export function rowRange({ level, reach }: Here): Range {
  const high = level.ground.rows.length;
  return { least: 1, most: high - (topRow({ level, reach }) ?? 0) };
}

/** The longest way that the player can go before the clock ends; unlimited where nothing is sure of it. Units. */
export function furthestWay(here: Here): number {
  const { level, prepared, resolving, rules } = here;
  const { limitSeconds, starts } = level.clock;
  const { speed, live } = bodyOf(here);
  const isSure =
    (prepared.kind === 'roam' || prepared.kind === 'run') &&
    speed !== undefined &&
    !('speed' in live) &&
    limitSeconds !== null &&
    starts !== 'condition' &&
    !liveAmount(limitSeconds, resolving) &&
    !rules.some(({ rule }) =>
      rule.then.some((effect) => effect.effect === 'loseLife' && effect.resets.includes('clock')),
    );
  if (!isSure) return Number.POSITIVE_INFINITY;
  const limitTicks = prepared.judging.limitTicks;
  return limitTicks < 0 ? Number.POSITIVE_INFINITY : speed * ticksToSeconds(limitTicks) * 1.01 + 1;
}
