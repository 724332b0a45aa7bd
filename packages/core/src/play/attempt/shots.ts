import { HEADING_VECTORS, isInSight, isWall } from '../grid/index.ts';
import { asItIs, MOST, shootingNow } from './following.ts';
import { hazardDamage } from './pieces/hazard.ts';
import { enemiesOf, type Enemy } from './pieces/enemies.ts';
import { hurtEnemy } from './pieces/enemy.ts';
import { hurtPlayer } from './touching.ts';
import type { AttemptState, Shot } from './types.ts';
import { TICK_SECONDS } from '../rules/index.ts';

/** How near a shot's middle must come to the edge of what it hits. Units. */
export const SHOT_RADIUS = 0.12;

/** Sends a shot on its way; nothing where too many are under way. @param kind of hazard, -1 for the player's */
export function shoot(
  state: AttemptState,
  kind: number,
  x: number,
  y: number,
  vx: number,
  vy: number,
  reach: number,
): void {
  const shot = state.shots.find((entry) => !entry.active);
  if (!shot) return;
  shot.active = true;
  shot.kind = kind;
  shot.x = x;
  shot.y = y;
  shot.vx = vx;
  shot.vy = vy;
  shot.reach = reach;
}

/** The nearest enemy in reach and sight that can be beaten. */
function nearestToBeat(state: AttemptState, reach: number): Enemy | undefined {
  const { body } = state;
  let nearest: Enemy | undefined;
  let least = reach * reach;
  for (const enemy of enemiesOf(state).all) {
    if (!enemy.active || enemy.health === 0) continue;
    const dx = enemy.x - body.x;
    const dy = enemy.y - body.y;
    const squared = dx * dx + dy * dy;
    if (squared > least || !isInSight(state.view.grid, body, enemy)) continue;
    least = squared;
    nearest = enemy;
  }
  return nearest;
}

/** Lets the player shoot, if it wants to and can: where it faces, or at the nearest it can beat. */
export function playerShoots(state: AttemptState, fires: boolean): void {
  const { shooting } = state.world.level.motion.player;
  if (!shooting) return;
  if (state.reloadTicks > 0) state.reloadTicks--;
  if (!fires || state.reloadTicks > 0 || state.ammunition === 0) return;
  const { x, y } = state.body;
  const { everyTicks, speed, reach } = shootingNow(shooting, state.dials);
  let [dx, dy] = HEADING_VECTORS[state.body.facing] as readonly [number, number];
  if (shooting.aimsAtNearest) {
    const enemy = nearestToBeat(state, reach);
    if (!enemy) return;
    const distance = Math.sqrt((enemy.x - x) * (enemy.x - x) + (enemy.y - y) * (enemy.y - y));
    if (distance > 0) {
      dx = (enemy.x - x) / distance;
      dy = (enemy.y - y) / distance;
    }
  }
  shoot(state, -1, x, y, dx * speed, dy * speed, reach);
  state.reloadTicks = everyTicks;
  if (state.ammunition > 0) state.ammunition--;
}

function hitsEnemy(state: AttemptState, shot: Shot): boolean {
  for (const enemy of enemiesOf(state).all) {
    if (!enemy.active || enemy.health === 0) continue;
    const dx = enemy.x - shot.x;
    const dy = enemy.y - shot.y;
    const reach = enemy.radius + SHOT_RADIUS;
    if (dx * dx + dy * dy >= reach * reach) continue;
    const { shooting } = state.world.level.motion.player;
    hurtEnemy(state, enemy, shooting ? asItIs(shooting.damage, shooting.liveDamage, state.dials, 0, MOST) : 0);
    return true;
  }
  return false;
}

/** Moves every shot; walls and the end of its reach stop it. */
export function moveShots(state: AttemptState): void {
  const { shots } = state;
  for (let i = 0; i < shots.length; i++) {
    const shot = shots[i] as Shot;
    if (!shot.active) continue;
    shot.x += shot.vx * TICK_SECONDS;
    shot.y += shot.vy * TICK_SECONDS;
    shot.reach -= Math.sqrt(shot.vx * shot.vx + shot.vy * shot.vy) * TICK_SECONDS;
    if (shot.reach <= 0 || isWall(state.view.grid, Math.floor(shot.x), Math.floor(shot.y))) shot.active = false;
    else if (shot.kind < 0 && hitsEnemy(state, shot)) shot.active = false;
  }
}

/** Does this shot of an emitter meet the player? */
function meetsPlayer({ body }: AttemptState, shot: Shot): boolean {
  const dx = body.x - shot.x;
  const dy = body.y - shot.y;
  const reach = body.radius + SHOT_RADIUS;
  return dx * dx + dy * dy < reach * reach;
}

/** Lets the emitters' shots hurt a player that they meet; each is spent by it. */
export function shotsMeetPlayer(state: AttemptState): void {
  const { shots, observed, world } = state;
  const { kindsOfEnemy } = world.level.motion;
  for (let i = 0; i < shots.length; i++) {
    const shot = shots[i] as Shot;
    if (!shot.active || shot.kind < 0 || !meetsPlayer(state, shot)) continue;
    shot.active = false;
    observed.touching[kindsOfEnemy + shot.kind] = 1;
    hurtPlayer(state, hazardDamage(state, shot.kind));
  }
}

/** Most shots in the air at once. */
const MOST_SHOTS = 48;

/** Room for all shots of an attempt; none where nobody can shoot. */
export const makeShots = (anybodyShoots: boolean): Shot[] =>
  Array.from({ length: anybodyShoots ? MOST_SHOTS : 0 }, () => ({
    active: false,
    kind: -1,
    x: 0,
    y: 0,
    vx: 0,
    vy: 0,
    reach: 0,
  }));
