import { liveAmount, ticksToSeconds } from '../../play/rules/index.ts';
import { bodyOf, highestJump, SLACK } from './jumps.ts';
import type { SlotFacts } from './scopes.ts';

/** Between which values a reading can lie during an attempt, in its unit. */
export interface Range {
  least: number;
  most: number;
}

type Here = Pick<SlotFacts, 'level' | 'prepared' | 'reach' | 'project' | 'resolving' | 'rules'>;

/** The topmost row that the player can reach, from 0; undefined where it reaches none. */
function topRow({ level, reach }: Pick<Here, 'level' | 'reach'>): number | undefined {
  const { rows } = level.ground;
  const width = rows[0]?.length ?? 0;
  const row = rows.findIndex((_text, y) => reach.enters({ x: 0, y: y + 0.25, width, height: 0.5 }));
  return row < 0 ? undefined : row;
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
