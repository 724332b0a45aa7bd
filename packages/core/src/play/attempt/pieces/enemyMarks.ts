import type { EnemyKind } from '../../../document/model/index.ts';
import { markFigures, usualEnemyLook, type Looks } from '../looks.ts';
import { between, type Figure, type Mark } from '../mark.ts';
import type { Moment } from '../types.ts';

/** The fields of an enemy that its picture shows. */
interface Drawn {
  kind: number;
  movement: EnemyKind['movement'];
  /** Units. */
  radius: number;
  x: number;
  y: number;
}

/** One in an attempt. */
interface Moving extends Drawn {
  active: boolean;
  /** Has it just seen the player? Ticks. */
  memoryTicks: number;
  health: number;
  fullHealth: number;
  source: { fromAbove?: true };
}

/** One that chases is filled once it has seen the player. */
const figuresAt = (one: Drawn, x: number, y: number, awake: boolean, looks: Looks | undefined): Figure[] =>
  markFigures(
    looks?.enemies[one.kind] ?? usualEnemyLook(one.movement),
    x,
    y,
    one.radius,
    awake || one.movement !== 'chase',
  );

/** Draws the remaining health. @param share 0–1 */
const healthBar = (x: number, y: number, share: number): Figure[] => [
  { is: 'rectangle', x: x - 0.4, y: y - 0.06, width: 0.8, height: 0.12, fill: 'sheet' },
  { is: 'rectangle', x: x - 0.4, y: y - 0.06, width: 0.8 * share, height: 0.12, fill: 'loss' },
];

/** Enemies before anybody has moved. */
export const enemyMarks = (enemies: readonly Drawn[], looks: Looks | undefined): Mark[] =>
  enemies.map((one, index) => ({ key: `enemy-${index}`, figures: figuresAt(one, one.x, one.y, false, looks) }));

/** Enemies at a moment between two ticks. */
export function movingEnemyMarks(
  enemies: readonly Moving[],
  { before, share }: Moment,
  looks: Looks | undefined,
): Mark[] {
  const places = before.moving.enemy;
  return enemies.flatMap((one, index) => {
    if (!one.active) return [];
    const x = between(places?.[index * 2], one.x, share);
    const y = between(places?.[index * 2 + 1], one.y, share);
    const figures = figuresAt(one, x, y, one.memoryTicks > 0, looks);
    if (one.health > 0 && !one.source.fromAbove)
      figures.push(...healthBar(x, y - one.radius - 0.18, one.health / one.fullHealth));
    return [{ key: `enemy-${index}`, figures }];
  });
}
