import { enemiesOf, type AttemptState } from '../../../../play/attempt/index.ts';
import { flight, forgetMovers, noteMover, numbers } from './flight.ts';

/** Nothing is looked at for longer than this. Seconds. */
const LONGEST_SECONDS = 3;

/** Notes what may come near the imagined body, and where enemies that walk will turn: anybody sees where their floor ends. @param clearance units */
export function lookAround(state: AttemptState, clearance: number): void {
  const { world, view } = state;
  const { grid } = view;
  forgetMovers();
  for (const enemy of enemiesOf(state).all) {
    if (!enemy.active) continue;
    const closing = (Math.abs(enemy.vx) + Math.abs(flight.vx) + numbers.speed) * LONGEST_SECONDS;
    if (Math.abs(enemy.x - flight.x) > closing + enemy.radius + numbers.radius + clearance) continue;
    if (enemy.movement !== 'walk') {
      noteMover(enemy, Number.NEGATIVE_INFINITY, Number.POSITIVE_INFINITY);
      continue;
    }
    const row = Math.floor(enemy.y);
    const ends = (column: number): boolean =>
      grid.walls[row * grid.width + column] === 1 || world.kind.endsAt(state, column + 0.5, enemy.y);
    let low = Math.floor(enemy.x);
    let high = low;
    while (low > 0 && !ends(low - 1)) low--;
    while (high < grid.width - 1 && !ends(high + 1)) high++;
    noteMover(enemy, low + enemy.radius, high + 1 - enemy.radius);
  }
}
