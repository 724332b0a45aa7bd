import { cellAt, isInSight, moveBody, nextCellTowards, wayIsClear, type Body } from '../../grid/index.ts';
import { TICK_SECONDS } from '../../rules/index.ts';
import type { AttemptState, View } from '../types.ts';
import { enemiesOf, type Enemies, type Enemy } from './enemies.ts';

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

function chase(state: AttemptState, enemy: Enemy): void {
  if ((state.tick + enemy.index) % TICKS_BETWEEN_LOOKS === 0) {
    look(state, enemy, state.body);
    want(enemy);
  }
  if (enemy.wantX === 0 && enemy.wantY === 0 && enemy.vx * enemy.vx + enemy.vy * enemy.vy < STILL) {
    enemy.vx = 0;
    enemy.vy = 0;
    return;
  }
  enemy.vx += (enemy.wantX - enemy.vx) * TURN;
  enemy.vy += (enemy.wantY - enemy.vy) * TURN;
  moveBody(state.view.grid, enemy, TICK_SECONDS);
}

/** A patrol goes straight from point to point, whatever is in between. */
function patrol(enemy: Enemy): void {
  const dx = enemy.aimX - enemy.x;
  const dy = enemy.aimY - enemy.y;
  if (dx * dx + dy * dy < ARRIVED * ARRIVED) nextPoint(enemy);
  want(enemy);
  enemy.vx = enemy.wantX;
  enemy.vy = enemy.wantY;
  enemy.x += enemy.vx * TICK_SECONDS;
  enemy.y += enemy.vy * TICK_SECONDS;
}

/** Keeps what it is turned to, with the velocity that makes. */
function goAhead(enemy: Enemy): void {
  enemy.vx = enemy.turnedX * enemy.speed;
  enemy.vy = enemy.turnedY * enemy.speed;
}

/** Straight on; back where a wall stops it or the ground ends. */
function walk(state: AttemptState, enemy: Enemy): void {
  const { kind } = state.world;
  const { grid } = state.view;
  goAhead(enemy);
  const { vx, vy, x, y, radius } = enemy;
  moveBody(grid, enemy, TICK_SECONDS);
  const stopped = enemy.vx !== vx || enemy.vy !== vy;
  const ends = kind.endsAt(state, enemy.x + enemy.turnedX * radius, enemy.y + enemy.turnedY * radius);
  if (!stopped && !ends) return;
  // It may stand on no ground already, where it was sent: only a step onto it turns back.
  const began = kind.endsAt(state, x + enemy.turnedX * radius, y + enemy.turnedY * radius);
  if (!stopped && began) return;
  enemy.turnedX = -enemy.turnedX;
  enemy.turnedY = -enemy.turnedY;
  goAhead(enemy);
}

/** A place on the way across: past one side it comes in at the other. Units. */
const inAgain = (place: number, radius: number, length: number): number =>
  place > length + radius ? -radius : place < -radius ? length + radius : place;

/** Straight across everything. */
function cross({ view: { grid } }: AttemptState, enemy: Enemy): void {
  goAhead(enemy);
  enemy.x = inAgain(enemy.x + enemy.vx * TICK_SECONDS, enemy.radius, grid.width);
  enemy.y = inAgain(enemy.y + enemy.vy * TICK_SECONDS, enemy.radius, grid.height);
}

/** Down until a wall or the lower edge stops it, then from its place again. */
function fall({ view: { grid } }: AttemptState, enemy: Enemy): void {
  enemy.vx = 0;
  enemy.vy = enemy.speed;
  if (enemy.vy === 0) return;
  moveBody(grid, enemy, TICK_SECONDS);
  if (enemy.vy !== 0) return;
  enemy.x = enemy.homeX;
  enemy.y = enemy.homeY;
}

/** No circle is turned by more than this in a tick. Radians. */
const MOST_TURN = 0.5;

/** Round its place, clockwise. */
function circle(enemy: Enemy): void {
  const distance = enemy.source.distance as number;
  // Half the angle as a tangent gives sine and cosine with no function whose last bits differ between engines.
  const half = Math.min(MOST_TURN, (enemy.speed * TICK_SECONDS) / distance) / 2;
  const below = 1 + half * half;
  const cosine = (1 - half * half) / below;
  const sine = (2 * half) / below;
  const { turnedX, turnedY } = enemy;
  const x = turnedX * cosine - turnedY * sine;
  const y = turnedX * sine + turnedY * cosine;
  const length = Math.sqrt(x * x + y * y);
  enemy.turnedX = x / length;
  enemy.turnedY = y / length;
  enemy.x = enemy.homeX + enemy.turnedX * distance;
  enemy.y = enemy.homeY + enemy.turnedY * distance;
  enemy.vx = -enemy.turnedY * enemy.speed;
  enemy.vy = enemy.turnedX * enemy.speed;
}

/** Moves every enemy that is on the ground. */
export function moveEnemies(state: AttemptState): void {
  const enemies = enemiesOf(state);
  const { all } = enemies;
  for (let i = 0; i < all.length; i++) {
    const enemy = all[i] as Enemy;
    if (!enemy.active) continue;
    switch (enemy.movement) {
      case 'chase':
        chase(state, enemy);
        break;
      case 'patrol':
        patrol(enemy);
        break;
      case 'walk':
        walk(state, enemy);
        break;
      case 'cross':
        cross(state, enemy);
        break;
      case 'fall':
        fall(state, enemy);
        break;
      case 'circle':
        circle(enemy);
        break;
      case 'still':
        break;
    }
  }
  keepApart(enemies);
}

/** Sort and sweep along x. Always this method, never by live counts: another order of pairs would be another attempt. */
function keepApart({ sweep, largestRadius }: Enemies): void {
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
      if (dx >= a.radius + largestRadius) break;
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
