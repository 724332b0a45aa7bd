import {
  collectablesOf,
  enemiesOf,
  latchesOf,
  shootingNow,
  zonesOf,
  type AttemptState,
  type Collectable,
  type Enemy,
} from '../../../play/attempt/index.ts';
import { cellAt, isInSight, UNREACHABLE, type Spot } from '../../../play/grid/index.ts';
import type { Player } from '../driver.ts';
import { needsToOpenTheWay } from '../goals/index.ts';

/** The cell of an area that is nearest by the way from another. */
function nearestIn(
  state: AttemptState,
  area: { x: number; y: number; width: number; height: number },
  from: number,
): number {
  const { grid, maps } = state.view;
  const row = Math.floor(from / grid.width);
  const column = from % grid.width;
  const right = Math.min(grid.width - 1, Math.ceil(area.x + area.width) - 1);
  const bottom = Math.min(grid.height - 1, Math.ceil(area.y + area.height) - 1);
  const [left, top] = [Math.floor(area.x), Math.floor(area.y)];
  const nearX = Math.min(right, Math.max(left, column));
  const nearY = Math.min(bottom, Math.max(top, row));
  let best = -1;
  let least = Number.POSITIVE_INFINITY;
  const weigh = (cell: number): void => {
    if (grid.walls[cell] === 1) return;
    const way = maps.to(cell)[from] as number;
    if (way >= least) return;
    least = way;
    best = cell;
  };
  for (let x = left; x <= right; x++) weigh(nearY * grid.width + x);
  for (let y = top; y <= bottom; y++) weigh(y * grid.width + nearX);
  return best;
}

/** The nearest piece that is needed. Its cell, or -1. */
function nearestPiece({ needs }: Player, state: AttemptState, from: number): number {
  const { grid, maps } = state.view;
  const { all, remaining, remainingCount } = collectablesOf(state);
  const any = needs.gather.length - 1;
  let best = -1;
  let least = UNREACHABLE;
  for (let i = 0; i < remainingCount; i++) {
    const piece = all[remaining[i] as number] as Collectable;
    if (!needs.gather[any] && !needs.gather[piece.kind]) continue;
    const cell = cellAt(grid, piece.x, piece.y);
    if (grid.walls[cell] === 1) continue;
    const way = maps.to(cell)[from] as number;
    if (way >= least) continue;
    least = way;
    best = cell;
  }
  return best;
}

/** The nearest enemy that is to be beaten, or undefined. */
export function nearestToBeat({ needs }: Player, state: AttemptState, from: Spot): Enemy | undefined {
  const any = needs.beat.length - 1;
  let best: Enemy | undefined;
  let least = Number.POSITIVE_INFINITY;
  for (const enemy of enemiesOf(state).all) {
    if (!enemy.active || enemy.health === 0 || !(needs.beat[any] || needs.beat[enemy.kind])) continue;
    const dx = enemy.x - from.x;
    const dy = enemy.y - from.y;
    if (dx * dx + dy * dy >= least) continue;
    least = dx * dx + dy * dy;
    best = enemy;
  }
  return best;
}

/** Share of a shot's reach from which a player shoots. */
const SHOOTING_DISTANCE_SHARE = 0.7;

/** Would a player shoot at an enemy from there? @param distance to where the enemy will be, units */
export function isInShot(state: AttemptState, from: Spot, enemy: Spot, distance: number): boolean {
  const { shooting } = state.world.level.motion.player;
  if (!shooting) return false;
  const { reach } = shootingNow(shooting, state.dials);
  return distance <= reach * SHOOTING_DISTANCE_SHARE && isInSight(state.view.grid, from, enemy);
}

/** The cell that a player heads for, or -1 for nowhere. */
function goalOf(player: Player, state: AttemptState, from: number): number {
  const { needs } = player;
  const { level, grid } = state.world;
  const { body } = state;
  const enemy = needs.anythingToBeat && level.motion.player.shooting && nearestToBeat(player, state, body);
  if (enemy) {
    const dx = enemy.x - body.x;
    const dy = enemy.y - body.y;
    // A player who can shoot the enemy from here goes nowhere.
    return isInShot(state, body, enemy, Math.sqrt(dx * dx + dy * dy)) ? -1 : cellAt(grid, enemy.x, enemy.y);
  }
  if (needs.anythingToGather) {
    const cell = nearestPiece(player, state, from);
    if (cell >= 0) return cell;
  }
  const latch = latchesOf(level)[needs.latch];
  if (latch) return cellAt(grid, latch.x, latch.y);
  const zones = zonesOf(level);
  const zone = needs.goal ? zones.find(({ goal }) => goal) : zones[needs.zone];
  if (zone) return nearestIn(state, zone, from);
  if (needs.height >= 0) {
    const top = Math.max(0, Math.ceil(grid.height - needs.height) - 1);
    return nearestIn(state, { x: 0, y: top, width: grid.width, height: 1 }, from);
  }
  return -1;
}

/** The cell that a player heads for who goes by distance maps alone, or -1 for nowhere; where the way there is closed, what opens it. */
export function openGoalOf(player: Player, state: AttemptState, from: number): number {
  const { maps } = state.view;
  const goal = goalOf(player, state, from);
  const { anythingToBeat, anythingToGather } = player.needs;
  const closed = goal < 0 ? anythingToGather && !anythingToBeat : (maps.to(goal)[from] as number) === UNREACHABLE;
  if (!closed || state.observed.gates.length === 0) return goal;
  needsToOpenTheWay(state, player.needs);
  return goalOf(player, state, from);
}
