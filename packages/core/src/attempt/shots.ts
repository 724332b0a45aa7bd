import { HEADING_VECTORS, isInSight, isWall } from '../ground/index.ts';
import { countEnemies } from './observed.ts';
import type { AttemptState, Enemy, Shot } from './state.ts';

/** How near a shot's middle must come to the edge of what it hits. Units. */
const SHOT_RADIUS = 0.12;

function shoot(state: AttemptState, kind: number, x: number, y: number, vx: number, vy: number, reach: number): void {
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
export function nearestToBeat(state: AttemptState, reach: number): Enemy | undefined {
  const { player, enemies } = state;
  let nearest: Enemy | undefined;
  let least = reach * reach;
  for (const enemy of enemies) {
    if (!enemy.active || enemy.health === 0) continue;
    const dx = enemy.x - player.x;
    const dy = enemy.y - player.y;
    const squared = dx * dx + dy * dy;
    if (squared > least || !isInSight(state.view.grid, player, enemy)) continue;
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
  const { x, y } = state.player;
  let [dx, dy] = HEADING_VECTORS[state.facing] as readonly [number, number];
  if (shooting.aimsAtNearest) {
    const enemy = nearestToBeat(state, shooting.reach);
    if (!enemy) return;
    const distance = Math.sqrt((enemy.x - x) * (enemy.x - x) + (enemy.y - y) * (enemy.y - y));
    if (distance > 0) {
      dx = (enemy.x - x) / distance;
      dy = (enemy.y - y) / distance;
    }
  }
  shoot(state, -1, x, y, dx * shooting.speed, dy * shooting.speed, shooting.reach);
  state.reloadTicks = shooting.everyTicks;
  if (state.ammunition > 0) state.ammunition--;
}

/** Lets the emitters shoot that are due; one that aims waits until the player is in sight and reach. */
export function emit(state: AttemptState): void {
  const { emitters } = state.world.level.motion;
  for (let i = 0; i < emitters.length; i++) {
    const emitter = emitters[i] as (typeof emitters)[number];
    if (state.tick < (state.emitterDueTick[i] as number)) continue;
    let dx: number;
    let dy: number;
    if (emitter.heading < 0) {
      dx = state.player.x - emitter.x;
      dy = state.player.y - emitter.y;
      const distance = Math.sqrt(dx * dx + dy * dy);
      if (distance === 0 || distance > emitter.reach || !isInSight(state.view.grid, emitter, state.player)) continue;
      dx /= distance;
      dy /= distance;
    } else [dx, dy] = HEADING_VECTORS[emitter.heading] as readonly [number, number];
    shoot(state, emitter.kind, emitter.x, emitter.y, dx * emitter.speed, dy * emitter.speed, emitter.reach);
    state.emitterDueTick[i] = state.tick + emitter.everyTicks;
  }
}

/** Takes health from an enemy; beaten at 0. */
function hit(state: AttemptState, enemy: Enemy): void {
  const { observed } = state;
  const damage = state.world.level.motion.player.shooting?.damage ?? 0;
  enemy.health = Math.max(0, enemy.health - damage);
  if (enemy.index < observed.phases.length) {
    let phase = 1;
    for (const share of enemy.source.phases) if (enemy.health <= share * enemy.source.health) phase++;
    observed.phases[enemy.index] = phase;
  }
  if (enemy.health > 0) return;
  enemy.active = false;
  countEnemies(observed, enemy.kind, -1);
  const any = observed.enemiesBeaten.length - 1;
  observed.enemiesBeaten[enemy.kind] = (observed.enemiesBeaten[enemy.kind] as number) + 1;
  observed.enemiesBeaten[any] = (observed.enemiesBeaten[any] as number) + 1;
  state.happenings.push({ tick: state.tick, what: 'beaten', enemy: enemy.index });
}

function hitsEnemy(state: AttemptState, shot: Shot): boolean {
  for (const enemy of state.enemies) {
    if (!enemy.active || enemy.health === 0) continue;
    const dx = enemy.x - shot.x;
    const dy = enemy.y - shot.y;
    const reach = enemy.radius + SHOT_RADIUS;
    if (dx * dx + dy * dy >= reach * reach) continue;
    hit(state, enemy);
    return true;
  }
  return false;
}

/** Moves every shot; walls and the end of its reach stop it. @param seconds length of the tick */
export function moveShots(state: AttemptState, seconds: number): void {
  const { shots } = state;
  for (let i = 0; i < shots.length; i++) {
    const shot = shots[i] as Shot;
    if (!shot.active) continue;
    shot.x += shot.vx * seconds;
    shot.y += shot.vy * seconds;
    shot.reach -= Math.sqrt(shot.vx * shot.vx + shot.vy * shot.vy) * seconds;
    if (shot.reach <= 0 || isWall(state.view.grid, Math.floor(shot.x), Math.floor(shot.y))) shot.active = false;
    else if (shot.kind < 0 && hitsEnemy(state, shot)) shot.active = false;
  }
}

/** Does this shot of an emitter meet the player? */
export function meetsPlayer(state: AttemptState, shot: Shot): boolean {
  const dx = state.player.x - shot.x;
  const dy = state.player.y - shot.y;
  const reach = state.player.radius + SHOT_RADIUS;
  return dx * dx + dy * dy < reach * reach;
}
