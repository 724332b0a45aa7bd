import { cellAt, moveBody, nextCellTowards, wayIsClear, type Body } from '../ground/index.ts';
import { drawAt } from '../random/index.ts';
import type { AttemptState, Enemy } from './state.ts';
import type { World } from './world.ts';

/** Chasers look and choose their way ten times a second, not all at the same tick. */
const TICKS_BETWEEN_LOOKS = 6;
/** A chaser follows this long after losing sight. */
const MEMORY_TICKS = 90;
/** Share of the wanted change of velocity that a chaser makes per tick: it turns in a curve. */
const TURN = 0.16;
/** Nearer to its aim than this an enemy has arrived. Units. */
const ARRIVED = 0.15;
/** Chasers that come nearer than their two radii push each other apart by this share of the overlap per tick. */
const PUSH = 0.25;

/** Send what the spawners owe at this tick; a spawner waits while the player is too near. */
export function sendEnemies(state: AttemptState): void {
  const sources = state.world.level.motion.spawners;
  for (let i = 0; i < sources.length; i++) {
    const source = sources[i] as (typeof sources)[number];
    const spawner = state.spawners[i] as AttemptState['spawners'][number];
    if (spawner.sent >= source.howMany || state.tick < spawner.dueTick) continue;
    const dx = state.player.x - source.x;
    const dy = state.player.y - source.y;
    if (dx * dx + dy * dy < source.safeDistance * source.safeDistance) continue;
    const enemy = state.enemies[spawner.firstEnemy + spawner.sent] as Enemy;
    // Sent ones leave a little apart, or they would all fly the same line.
    enemy.x += (drawAt(state.seed, enemy.index, 0) - 0.5) * 0.2;
    enemy.y += (drawAt(state.seed, enemy.index, 1) - 0.5) * 0.2;
    enemy.active = true;
    spawner.sent++;
    spawner.dueTick = state.tick + source.everyTicks;
    state.happenings.push({ tick: state.tick, what: 'sent', enemy: enemy.index });
  }
}

function aimAt(world: World, enemy: Enemy, cell: number): void {
  const here = cellAt(world.grid, enemy.x, enemy.y);
  const next = nextCellTowards(world.grid, world.maps.to(cell), here);
  const column = next % world.grid.width;
  enemy.aimX = column + 0.5;
  enemy.aimY = (next - column) / world.grid.width + 0.5;
}

function look(state: AttemptState, enemy: Enemy, player: Body): void {
  const { world } = state;
  const dx = player.x - enemy.x;
  const dy = player.y - enemy.y;
  const near = state.graceTicks === 0 && dx * dx + dy * dy <= enemy.sight * enemy.sight;
  if (near && wayIsClear(world.grid, enemy, player, 0)) {
    enemy.memoryTicks = MEMORY_TICKS;
    enemy.targetCell = cellAt(world.grid, player.x, player.y);
    if (wayIsClear(world.grid, enemy, player, enemy.radius)) {
      enemy.aimX = player.x;
      enemy.aimY = player.y;
    } else aimAt(world, enemy, enemy.targetCell);
    return;
  }
  enemy.memoryTicks = state.graceTicks > 0 ? 0 : Math.max(0, enemy.memoryTicks - TICKS_BETWEEN_LOOKS);
  const target = enemy.memoryTicks > 0 ? enemy.targetCell : cellAt(world.grid, enemy.homeX, enemy.homeY);
  if (cellAt(world.grid, enemy.x, enemy.y) === target) {
    enemy.memoryTicks = 0;
    enemy.aimX = enemy.homeX;
    enemy.aimY = enemy.homeY;
    if (cellAt(world.grid, enemy.homeX, enemy.homeY) !== target) aimAt(world, enemy, cellAt(world.grid, enemy.homeX, enemy.homeY));
  } else aimAt(world, enemy, target);
}

/** The next point of a patrol: along the path and back again; its own place is the first. */
function nextPoint(enemy: Enemy): void {
  if (enemy.path.length === 0) return;
  const next = enemy.pathStep + enemy.pathDirection;
  if (next < 0 || next > enemy.path.length) enemy.pathDirection = -enemy.pathDirection;
  enemy.pathStep += enemy.pathDirection;
  const point = enemy.pathStep === 0 ? undefined : enemy.path[enemy.pathStep - 1];
  enemy.aimX = point ? point.x : enemy.homeX;
  enemy.aimY = point ? point.y : enemy.homeY;
}

/** Move every enemy that is on the ground. @param seconds length of the tick */
export function moveEnemies(state: AttemptState, seconds: number): void {
  const { enemies } = state;
  for (let i = 0; i < enemies.length; i++) {
    const enemy = enemies[i] as Enemy;
    if (!enemy.active) continue;
    const chases = enemy.movement === 'chase';
    if (chases && (state.tick + i) % TICKS_BETWEEN_LOOKS === 0) look(state, enemy, state.player);
    let dx = enemy.aimX - enemy.x;
    let dy = enemy.aimY - enemy.y;
    let squared = dx * dx + dy * dy;
    if (!chases && squared < ARRIVED * ARRIVED) {
      nextPoint(enemy);
      dx = enemy.aimX - enemy.x;
      dy = enemy.aimY - enemy.y;
      squared = dx * dx + dy * dy;
    }
    const pace = squared < ARRIVED * ARRIVED ? 0 : enemy.speed / Math.sqrt(squared);
    switch (enemy.movement) {
      case 'chase':
        enemy.vx += (dx * pace - enemy.vx) * TURN;
        enemy.vy += (dy * pace - enemy.vy) * TURN;
        moveBody(state.world.grid, enemy, seconds);
        break;
      case 'patrol':
        enemy.vx = dx * pace;
        enemy.vy = dy * pace;
        enemy.x += enemy.vx * seconds;
        enemy.y += enemy.vy * seconds;
        break;
    }
  }
  keepApart(state);
}

/** Sort and sweep along x. Always this method, never by live counts: another order of pairs would be another attempt. */
function keepApart(state: AttemptState): void {
  const { sweep } = state;
  for (let i = 1; i < sweep.length; i++) {
    const enemy = sweep[i] as Enemy;
    let j = i - 1;
    while (j >= 0 && (sweep[j] as Enemy).x > enemy.x) {
      sweep[j + 1] = sweep[j] as Enemy;
      j--;
    }
    sweep[j + 1] = enemy;
  }
  for (let i = 0; i < sweep.length; i++) {
    const a = sweep[i] as Enemy;
    if (!a.active || a.movement !== 'chase') continue;
    for (let j = i + 1; j < sweep.length; j++) {
      const b = sweep[j] as Enemy;
      const reach = a.radius + b.radius;
      const dx = b.x - a.x;
      // 2 units is the largest radius there is: beyond both, no later one can be close.
      if (dx > a.radius + 2) break;
      if (dx >= reach || !b.active || b.movement !== 'chase') continue;
      const dy = b.y - a.y;
      const squared = dx * dx + dy * dy;
      if (squared >= reach * reach || squared === 0) continue;
      const distance = Math.sqrt(squared);
      const push = ((reach - distance) * PUSH * 30) / distance;
      a.vx -= dx * push;
      a.vy -= dy * push;
      b.vx += dx * push;
      b.vy += dy * push;
    }
  }
}
