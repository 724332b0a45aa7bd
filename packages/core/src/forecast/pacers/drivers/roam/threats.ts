import { enemiesOf, SHOT_RADIUS, type AttemptState, type Enemy, type Shot } from '../../../../play/attempt/index.ts';
import type { Spot } from '../../../../play/grid/index.ts';
import { ticksToSeconds } from '../../../../play/rules/index.ts';
import type { Player } from '../../driver.ts';

/** Moments at which a threatened player imagines itself along each way out. */
export const IMAGINED_MOMENTS = 4;
/** Limit of the threats that are weighed at once; more would not change the decision. */
const MOST_THREATS = 64;
/** Price of a touch, in units of way. */
const TOUCH_PRICE = 60;
/** Price of standing at a threat's edge, in units of way; it falls to 0 at the caution distance. */
const EDGE_PRICE = 6;
/** Nearer than this counts as a touch. Units. */
const TOUCHING_UNITS = 0.05;
/** How much of its way a chaser is thought to come nearer besides its course, as a share. */
const COMING_ON_SHARE = 0.35;
/** Enemies further away than this share of the way that both could go matter to nobody yet. */
const MEETING_SHARE = 0.6;
/** Shots further away than this matter to nobody yet. Units per second of foresight. */
const SHOT_WATCH_SPEED = 6;
/** No player thinks less far ahead. */
const LEAST_FORESIGHT_SECONDS = 0.3;

/** Where each threat is thought to be when the player acts (moment 0) and at each moment after it: moment × MOST_THREATS + threat. Scratch of the decision at hand. */
const ROOM = (IMAGINED_MOMENTS + 1) * MOST_THREATS;
const threatX = new Float64Array(ROOM);
const threatY = new Float64Array(ROOM);
/** Distance at which the player would be touched. */
const threatReach = new Float64Array(ROOM);

/** A way to be weighed, from one place to another within a moment (0 is the first), and its price: an object, since numbers handed to and from a function that is not inlined are boxed. */
export const probe = { fromX: 0, fromY: 0, x: 0, y: 0, moment: 0, caution: 0, count: 0, price: 0 };

/** How far ahead the player thinks, seconds. */
export const horizonOf = (player: Player): number =>
  Math.max(LEAST_FORESIGHT_SECONDS, player.abilities.foresightSeconds);

/**
 * Finds the threats that matter within the player's foresight and where they will be.
 *
 * @param here where the player will be when it acts
 * @param speed most units per second that the player goes
 * @returns how many there are
 */
export function lookForThreats(
  player: Player,
  state: AttemptState,
  here: Spot,
  caution: number,
  speed: number,
): number {
  const delay = ticksToSeconds(player.reaction.ticks);
  const horizon = horizonOf(player);
  const enemies = enemiesOf(state).all;
  const { radius } = state.body;
  let count = 0;
  for (let i = 0; i < enemies.length && count < MOST_THREATS; i++) {
    const enemy = enemies[i] as Enemy;
    if (!enemy.active) continue;
    const dx = enemy.x - here.x;
    const dy = enemy.y - here.y;
    const reach = caution + enemy.radius + radius + (enemy.speed + speed) * (delay + horizon) * MEETING_SHARE;
    if (dx * dx + dy * dy >= reach * reach) continue;
    const awake = enemy.movement === 'chase' && enemy.memoryTicks > 0;
    for (let moment = 0; moment <= IMAGINED_MOMENTS; moment++) {
      const seconds = delay + (horizon * moment) / IMAGINED_MOMENTS;
      const at = moment * MOST_THREATS + count;
      threatX[at] = enemy.x + enemy.vx * seconds;
      threatY[at] = enemy.y + enemy.vy * seconds;
      threatReach[at] = enemy.radius + radius + (awake ? enemy.speed * seconds * COMING_ON_SHARE : 0);
    }
    count++;
  }
  const { shots } = state;
  for (let i = 0; i < shots.length && count < MOST_THREATS; i++) {
    const shot = shots[i] as Shot;
    if (!shot.active || shot.kind < 0) continue;
    const dx = shot.x - here.x;
    const dy = shot.y - here.y;
    const near = caution + radius + SHOT_WATCH_SPEED * (delay + horizon);
    if (dx * dx + dy * dy >= near * near) continue;
    for (let moment = 0; moment <= IMAGINED_MOMENTS; moment++) {
      const seconds = delay + (horizon * moment) / IMAGINED_MOMENTS;
      const at = moment * MOST_THREATS + count;
      threatX[at] = shot.x + shot.vx * seconds;
      threatY[at] = shot.y + shot.vy * seconds;
      threatReach[at] = radius + SHOT_RADIUS;
    }
    count++;
  }
  probe.count = count;
  probe.caution = caution;
  return count;
}

/** Sets the probe's price: of all threats, each where it comes nearest on the way of this moment. */
export function priceThreats(): void {
  const { fromX, fromY, x, y, caution, count } = probe;
  const first = (probe.moment + 1) * MOST_THREATS;
  let price = 0;
  for (let i = first; i < first + count; i++) {
    const before = i - MOST_THREATS;
    // As seen from the player: where the threat is at first, and how far it goes in this moment.
    const startX = (threatX[before] as number) - fromX;
    const startY = (threatY[before] as number) - fromY;
    const goneX = (threatX[i] as number) - x - startX;
    const goneY = (threatY[i] as number) - y - startY;
    const squaredWay = goneX * goneX + goneY * goneY;
    const along = squaredWay === 0 ? 0 : -(startX * goneX + startY * goneY) / squaredWay;
    const share = along < 0 ? 0 : along > 1 ? 1 : along;
    const dx = startX + goneX * share;
    const dy = startY + goneY * share;
    const reach = threatReach[i] as number;
    const far = reach + caution;
    const squared = dx * dx + dy * dy;
    if (squared >= far * far) continue;
    const gap = Math.sqrt(squared) - reach;
    if (gap < TOUCHING_UNITS) price += TOUCH_PRICE;
    else price += EDGE_PRICE * (1 - gap / caution) * (1 - gap / caution);
  }
  probe.price = price;
}
