import { enemiesOf, type AttemptState, type Enemy, type PlayerBody } from '../../../../play/attempt/index.ts';

/** Something that may come near during the present decision, and the places between which it walks; infinite for things that do not walk. */
export interface Near {
  enemy: Enemy;
  low: number;
  high: number;
}
/** Scratch of the present decision: only the first `count` are valid. */
export const near = { list: [] as Near[], count: 0 };
/** Nothing is looked at for longer than this. Seconds. */
const LONGEST_SECONDS = 3;

/** Notes what may come near a body, and where enemies that walk will turn: anybody sees where their floor ends. @param speed at which it walks, units per second @param clearance units */
export function lookAround(state: AttemptState, body: PlayerBody, speed: number, clearance: number): void {
  const { world, view } = state;
  const { grid } = view;
  near.count = 0;
  for (const enemy of enemiesOf(state).all) {
    if (!enemy.active) continue;
    const closing = (Math.abs(enemy.vx) + Math.abs(body.vx) + speed) * LONGEST_SECONDS;
    if (Math.abs(enemy.x - body.x) > closing + enemy.radius + body.radius + clearance) continue;
    const seen = (near.list[near.count++] ??= { enemy, low: 0, high: 0 });
    seen.enemy = enemy;
    seen.low = Number.NEGATIVE_INFINITY;
    seen.high = Number.POSITIVE_INFINITY;
    if (enemy.movement !== 'walk') continue;
    const row = Math.floor(enemy.y);
    const ends = (column: number): boolean =>
      grid.walls[row * grid.width + column] === 1 || world.kind.endsAt(state, column + 0.5, enemy.y);
    let low = Math.floor(enemy.x);
    let high = low;
    while (low > 0 && !ends(low - 1)) low--;
    while (high < grid.width - 1 && !ends(high + 1)) high++;
    seen.low = low + enemy.radius;
    seen.high = high + 1 - enemy.radius;
  }
}

/** Where one comes to that turns at its ends. */
export function turning(x: number, { low, high }: Near): number {
  if (x > high) return Math.max(low, 2 * high - x);
  return x < low ? Math.min(high, 2 * low - x) : x;
}
