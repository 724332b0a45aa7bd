import { cellAt, isInSight, moveBody, nextCellTowards, wayIsClear, type Body } from '../../ground/index.ts';
import type { EnemyKind, Piece, Place } from '../../model/index.ts';
import { mix, mixFloat } from '../../random/index.ts';
import { TICK_SECONDS, type LiveAmount, type Observed } from '../../rules/index.ts';
import { asItIs, FASTEST, following, FURTHEST, MOST, within } from '../amounts.ts';
import type { PreparedLevel } from '../level.ts';
import { hurtPlayer } from '../reach.ts';
import type { AttemptState, PieceSort, Preparing, View } from '../shell.ts';
import { enemyMarks, movingEnemyMarks } from './enemyMarks.ts';

/** An enemy made ready. */
export interface PreparedEnemy {
  kind: number;
  movement: EnemyKind['movement'];
  /** Units per second. */
  speed: number;
  liveSpeed?: LiveAmount;
  liveSight?: LiveAmount;
  liveDamage?: LiveAmount;
  liveHealth?: LiveAmount;
  /** Units. */
  radius: number;
  /** Units. */
  sight: number;
  /** Health lost at each touch. */
  damage: number;
  /** 0 for one that cannot be beaten. */
  health: number;
  /** Shares of its health at which it enters the next phase. */
  phases: number[];
  x: number;
  y: number;
  path: Place[];
}

/** One class for all movements with a switch: fast, and readable (measured against one class each). */
export interface Enemy extends Body {
  index: number;
  kind: number;
  movement: EnemyKind['movement'];
  /** Units per second. */
  speed: number;
  /** Units. */
  sight: number;
  /** Not yet sent, or beaten, while false. */
  active: boolean;
  /** What is left of it; 0 for one that cannot be beaten. */
  health: number;
  /** What it has while nobody has hurt it. */
  fullHealth: number;
  /** Health lost at each touch. */
  damage: number;
  homeX: number;
  homeY: number;
  /** Where it heads for right now. */
  aimX: number;
  aimY: number;
  /** The velocity it wants. */
  wantX: number;
  wantY: number;
  /** Ticks for which a chaser still follows after losing sight. */
  memoryTicks: number;
  /** Cell where a chaser last saw the player. */
  targetCell: number;
  path: readonly Place[];
  pathStep: number;
  pathDirection: number;
  source: PreparedEnemy;
}

/** The enemies of one attempt: those placed, then those that spawners will send. */
export interface Enemies {
  all: Enemy[];
  /** From left to right, for finding pairs that are close. */
  sweep: Enemy[];
  /** By enemy: did it touch the player at the last tick? */
  wasTouching: boolean[];
  /** Of any of them, units. */
  largestRadius: number;
}

export const enemiesOf = (state: AttemptState): Enemies => state.pieces.enemy as Enemies;

/** The enemies placed on a level, in the order of the ground. */
export const preparedEnemies = ({ motion }: PreparedLevel): readonly PreparedEnemy[] =>
  motion.pieces.enemy as readonly PreparedEnemy[];

/** Makes an enemy of a kind ready at a place. */
export function prepareEnemy(kindId: string, at: Place, path: Place[], preparing: Preparing): PreparedEnemy {
  const { project, resolving, number } = preparing;
  const kind = resolving.subjects.enemy.get(kindId) as number;
  const definition = project.kinds.enemies[kind] as EnemyKind;
  return {
    kind,
    movement: definition.movement,
    speed: definition.movement === 'still' ? 0 : within(number(definition.speed), 0, FASTEST),
    ...following('liveSpeed', definition.speed, preparing),
    ...following('liveSight', definition.movement === 'chase' ? definition.sight : undefined, preparing),
    ...following('liveDamage', definition.damage, preparing),
    ...following('liveHealth', definition.health, preparing),
    radius: definition.radius,
    sight: definition.movement === 'chase' ? within(number(definition.sight), 0, FURTHEST) : 0,
    damage: definition.damage ? within(number(definition.damage), 0, MOST) : 0,
    health: definition.health ? within(number(definition.health), 0.001, MOST) : 0,
    phases: definition.phases ?? [],
    x: at.x,
    y: at.y,
    path,
  };
}

/** Adds one more enemy to those of an attempt. @param active is it on the ground already? */
export function addEnemy(enemies: Enemies, source: PreparedEnemy, active: boolean, { grid }: View): void {
  const enemy: Enemy = {
    index: enemies.all.length,
    kind: source.kind,
    movement: source.movement,
    speed: source.speed,
    sight: source.sight,
    radius: source.radius,
    active,
    health: source.health,
    fullHealth: source.health,
    damage: source.damage,
    x: source.x,
    y: source.y,
    vx: 0,
    vy: 0,
    homeX: source.x,
    homeY: source.y,
    aimX: source.x,
    aimY: source.y,
    wantX: 0,
    wantY: 0,
    memoryTicks: 0,
    targetCell: cellAt(grid, source.x, source.y),
    path: source.path,
    pathStep: 0,
    pathDirection: 1,
    source,
  };
  enemies.all.push(enemy);
  enemies.sweep.push(enemy);
  enemies.wasTouching.push(false);
  enemies.largestRadius = Math.max(enemies.largestRadius, source.radius);
}

/** Counts enemies that can be beaten and are still to be. @param by how many more */
export function countEnemies({ enemiesLeft }: Observed, kind: number, by: number): void {
  const any = enemiesLeft.length - 1;
  enemiesLeft[kind] = (enemiesLeft[kind] as number) + by;
  enemiesLeft[any] = (enemiesLeft[any] as number) + by;
}

/** Takes health from an enemy; beaten at 0. */
export function hurtEnemy(state: AttemptState, enemy: Enemy, damage: number): void {
  const { observed } = state;
  enemy.health = Math.max(0, enemy.health - damage);
  if (enemy.index < observed.phases.length) {
    let phase = 1;
    for (const share of enemy.source.phases) if (enemy.health <= share * enemy.fullHealth) phase++;
    observed.phases[enemy.index] = phase;
  }
  if (enemy.health > 0) return;
  enemy.active = false;
  countEnemies(observed, enemy.kind, -1);
  const { enemiesBeaten } = observed;
  const any = enemiesBeaten.length - 1;
  enemiesBeaten[enemy.kind] = (enemiesBeaten[enemy.kind] as number) + 1;
  enemiesBeaten[any] = (enemiesBeaten[any] as number) + 1;
  state.happenings.push({ tick: state.tick, what: 'piece', piece: 'enemy', index: enemy.index, did: 'beaten' });
}

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

/** Moves every enemy that is on the ground. */
function moveEnemies(state: AttemptState): void {
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

function touchPlayer(state: AttemptState): void {
  const { body, observed } = state;
  const { all, wasTouching } = enemiesOf(state);
  for (let i = 0; i < all.length; i++) {
    const enemy = all[i] as Enemy;
    if (!enemy.active) {
      wasTouching[i] = false;
      continue;
    }
    const dx = enemy.x - body.x;
    const dy = enemy.y - body.y;
    const reach = enemy.radius + body.radius;
    const touches = dx * dx + dy * dy < reach * reach;
    if (touches) {
      observed.touching[enemy.kind] = 1;
      if (!wasTouching[i] && enemy.damage > 0) hurtPlayer(state, enemy.damage);
    }
    wasTouching[i] = touches;
  }
}

/** What goes after the player, goes its round, or sits. */
export const enemy: PieceSort<Extract<Piece, { piece: 'enemy' }>, PreparedEnemy, Enemies> = {
  name: 'enemy',
  subject: 'phase',
  goesOn: 'enemies',
  prepare: ({ kind, at, path }, preparing) => prepareEnemy(kind, at, path ?? [], preparing),
  observe(enemies, seen) {
    for (const { health, kind } of enemies) if (health > 0) countEnemies(seen, kind, 1);
  },
  start(sources, { view }) {
    const enemies: Enemies = { all: [], sweep: [], wasTouching: [], largestRadius: 0 };
    for (const source of sources) addEnemy(enemies, source, true, view);
    return enemies;
  },
  move: moveEnemies,
  touch: touchPlayer,
  forget: (state) => void enemiesOf(state).wasTouching.fill(false),
  turn(state) {
    for (const one of enemiesOf(state).all) {
      const { liveSpeed, liveSight, liveDamage, liveHealth } = one.source;
      const { dials } = state;
      if (one.movement !== 'still') one.speed = asItIs(one.speed, liveSpeed, dials, 0, FASTEST);
      one.sight = asItIs(one.sight, liveSight, dials, 0, FURTHEST);
      one.damage = asItIs(one.damage, liveDamage, dials, 0, MOST);
      if (!liveHealth) continue;
      // One that has been hurt keeps the share that is left of it.
      const full = asItIs(one.fullHealth, liveHealth, dials, 0.001, MOST);
      one.health *= full / one.fullHealth;
      one.fullHealth = full;
    }
  },
  hash(state, hash) {
    const { all, sweep, wasTouching } = enemiesOf(state);
    for (const one of all) {
      hash = mix(hash, one.active ? 1 : 0);
      if (!one.active) continue;
      for (const value of [one.x, one.y, one.vx, one.vy, one.health, one.speed, one.homeX, one.homeY])
        hash = mixFloat(hash, value);
      for (const value of [one.aimX, one.aimY, one.wantX, one.wantY, one.memoryTicks, one.targetCell])
        hash = mixFloat(hash, value);
      for (const value of [one.pathStep, one.pathDirection]) hash = mixFloat(hash, value);
      const { liveSight, liveDamage, liveHealth } = one.source;
      if (liveSight) hash = mixFloat(hash, one.sight);
      if (liveDamage) hash = mixFloat(hash, one.damage);
      if (liveHealth) hash = mixFloat(hash, one.fullHealth);
    }
    // Pairs that are close push each other apart in this order.
    for (const one of sweep) hash = mix(hash, one.index);
    return wasTouching.reduce((sum, touches) => mix(sum, touches ? 1 : 0), hash);
  },
  moving: (state) => enemiesOf(state).all,
  hurts: (enemies) => enemies.some(({ damage }) => damage > 0),
  layer: 3,
  scene: (enemies, _level, now, looks) =>
    now ? movingEnemyMarks(enemiesOf(now.state).all, now, looks) : enemyMarks(enemies, looks),
  kindOf: (state, index) => {
    const one = enemiesOf(state).all[index];
    return one && { of: 'enemies', kind: one.kind };
  },
};
