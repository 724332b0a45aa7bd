import { cellAt, isInSight, isWall, moveBody, nextCellTowards, wayIsClear, type Body } from '../ground/index.ts';
import { drawAt } from '../random/index.ts';
import type { AttemptState, Enemy } from './state.ts';
import type { View, World } from './world.ts';

/** Chasers look and choose their way ten times a second, not all at the same tick. */
const TICKS_BETWEEN_LOOKS = 6;
/** A chaser follows this long after losing sight. */
const MEMORY_TICKS = 90;
/** Share of the wanted change of velocity that a chaser makes per tick: it turns in a curve. */
const TURN = 0.16;
/** Nearer to its aim than this an enemy has arrived. Units. */
const ARRIVED = 0.15;
/** Squared speed below which an enemy that wants to rest does. */
const STILL = 0.0004;
/** Chasers that come nearer than their two radii push each other apart by this share of the overlap per tick. */
const PUSH = 0.25;

/** So many places are tried per tick for one to be sent. */
const PLACES_TRIED = 8;
/** Draws of places are numbered apart from those of the small offsets. */
const PLACE_DRAWS = 1000;

type Source = World['level']['motion']['spawners'][number];

const isFarEnough = (state: AttemptState, source: Source, x: number, y: number): boolean => {
  const dx = state.player.x - x;
  const dy = state.player.y - y;
  return dx * dx + dy * dy >= source.safeDistance * source.safeDistance;
};

/** Puts one that is to be sent somewhere in the spawner's area, far enough from the player; false where no place was found. */
function findPlace(state: AttemptState, source: Source, enemy: Enemy): boolean {
  if (source.spreadWidth === 0) {
    if (!isFarEnough(state, source, source.x, source.y)) return false;
    // Sent ones leave a little apart, or they would all fly the same line.
    enemy.x += (drawAt(state.seed, enemy.index, 0) - 0.5) * 0.2;
    enemy.y += (drawAt(state.seed, enemy.index, 1) - 0.5) * 0.2;
    return true;
  }
  const { grid } = state.view;
  for (let i = 0; i < PLACES_TRIED; i++) {
    const counter = PLACE_DRAWS + (state.tick * PLACES_TRIED + i) * 2;
    const x = source.x + (drawAt(state.seed, enemy.index, counter) - 0.5) * source.spreadWidth;
    const y = source.y + (drawAt(state.seed, enemy.index, counter + 1) - 0.5) * source.spreadHeight;
    const { radius } = enemy;
    const blocked =
      isWall(grid, Math.floor(x - radius), Math.floor(y - radius)) ||
      isWall(grid, Math.floor(x + radius), Math.floor(y - radius)) ||
      isWall(grid, Math.floor(x - radius), Math.floor(y + radius)) ||
      isWall(grid, Math.floor(x + radius), Math.floor(y + radius));
    if (blocked || !isFarEnough(state, source, x, y)) continue;
    enemy.x = x;
    enemy.y = y;
    enemy.homeX = x;
    enemy.homeY = y;
    enemy.aimX = x;
    enemy.aimY = y;
    return true;
  }
  return false;
}

/** Send what the spawners owe at this tick; a spawner waits while the player is too near. */
export function sendEnemies(state: AttemptState): void {
  const sources = state.world.level.motion.spawners;
  for (let i = 0; i < sources.length; i++) {
    const source = sources[i] as Source;
    const spawner = state.spawners[i] as AttemptState['spawners'][number];
    if (!spawner.started || spawner.sent >= source.howMany || state.tick < spawner.dueTick) continue;
    const enemy = state.enemies[spawner.firstEnemy + spawner.sent] as Enemy;
    if (!findPlace(state, source, enemy)) continue;
    enemy.active = true;
    spawner.sent++;
    spawner.dueTick = state.tick + source.everyTicks;
    state.happenings.push({ tick: state.tick, what: 'sent', enemy: enemy.index });
  }
}

function aimAt({ grid, maps }: View, enemy: Enemy, cell: number): void {
  const here = cellAt(grid, enemy.x, enemy.y);
  const next = nextCellTowards(grid, maps.to(cell), here);
  const column = next % grid.width;
  enemy.aimX = column + 0.5;
  enemy.aimY = (next - column) / grid.width + 0.5;
}

function look(state: AttemptState, enemy: Enemy, player: Body): void {
  const { view } = state;
  const { grid } = view;
  const dx = player.x - enemy.x;
  const dy = player.y - enemy.y;
  if (state.graceTicks === 0 && dx * dx + dy * dy <= enemy.sight * enemy.sight) {
    // Whoever can fly straight there can see there too.
    const straight = wayIsClear(grid, enemy, player);
    if (straight || isInSight(grid, enemy, player)) {
      enemy.memoryTicks = MEMORY_TICKS;
      enemy.targetCell = cellAt(grid, player.x, player.y);
      if (straight) {
        enemy.aimX = player.x;
        enemy.aimY = player.y;
      } else aimAt(view, enemy, enemy.targetCell);
      return;
    }
  }
  enemy.memoryTicks = state.graceTicks > 0 ? 0 : Math.max(0, enemy.memoryTicks - TICKS_BETWEEN_LOOKS);
  const target = enemy.memoryTicks > 0 ? enemy.targetCell : cellAt(grid, enemy.homeX, enemy.homeY);
  if (cellAt(grid, enemy.x, enemy.y) === target) {
    enemy.memoryTicks = 0;
    enemy.aimX = enemy.homeX;
    enemy.aimY = enemy.homeY;
    if (cellAt(grid, enemy.homeX, enemy.homeY) !== target) aimAt(view, enemy, cellAt(grid, enemy.homeX, enemy.homeY));
  } else aimAt(view, enemy, target);
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

/** Sets the velocity an enemy wants from where it aims. */
function want(enemy: Enemy): void {
  const dx = enemy.aimX - enemy.x;
  const dy = enemy.aimY - enemy.y;
  const squared = dx * dx + dy * dy;
  const pace = squared < ARRIVED * ARRIVED ? 0 : enemy.speed / Math.sqrt(squared);
  enemy.wantX = dx * pace;
  enemy.wantY = dy * pace;
}

function chase(state: AttemptState, enemy: Enemy, seconds: number): void {
  if ((state.tick + enemy.index) % TICKS_BETWEEN_LOOKS === 0) {
    look(state, enemy, state.player);
    want(enemy);
  }
  if (enemy.wantX === 0 && enemy.wantY === 0 && enemy.vx * enemy.vx + enemy.vy * enemy.vy < STILL) {
    enemy.vx = 0;
    enemy.vy = 0;
    return;
  }
  enemy.vx += (enemy.wantX - enemy.vx) * TURN;
  enemy.vy += (enemy.wantY - enemy.vy) * TURN;
  moveBody(state.view.grid, enemy, seconds);
}

/** A patrol goes straight from point to point, whatever is in between. */
function patrol(enemy: Enemy, seconds: number): void {
  const dx = enemy.aimX - enemy.x;
  const dy = enemy.aimY - enemy.y;
  if (dx * dx + dy * dy < ARRIVED * ARRIVED) nextPoint(enemy);
  want(enemy);
  enemy.vx = enemy.wantX;
  enemy.vy = enemy.wantY;
  enemy.x += enemy.vx * seconds;
  enemy.y += enemy.vy * seconds;
}

/** Move every enemy that is on the ground. @param seconds length of the tick */
export function moveEnemies(state: AttemptState, seconds: number): void {
  const { enemies } = state;
  for (let i = 0; i < enemies.length; i++) {
    const enemy = enemies[i] as Enemy;
    if (!enemy.active) continue;
    switch (enemy.movement) {
      case 'chase':
        chase(state, enemy, seconds);
        break;
      case 'patrol':
        patrol(enemy, seconds);
        break;
      case 'still':
        break;
    }
  }
  keepApart(state);
}

/** Sort and sweep along x. Always this method, never by live counts: another order of pairs would be another attempt. */
function keepApart(state: AttemptState): void {
  const { sweep } = state;
  const { largestEnemyRadius } = state.world;
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
      // Beyond the largest radius there is, no later one can be close.
      if (dx >= a.radius + largestEnemyRadius) break;
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
