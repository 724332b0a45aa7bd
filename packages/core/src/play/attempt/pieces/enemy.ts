import { cellAt, HEADING_VECTORS, nearestHeadingOf } from '../../grid/index.ts';
import type { EnemyKind, Piece, Place } from '../../../document/model/index.ts';
import { mix, mixFloat } from '../../../basics/random/index.ts';
import type { Observed } from '../../rules/index.ts';
import { asItIs, FASTEST, following, FURTHEST, MOST, within } from '../following.ts';
import { beyond, hurtPlayer } from '../touching.ts';
import type { AttemptState, PieceSort, Preparing, View } from '../types.ts';
import { enemiesOf, HEADED_MOVEMENTS, type Enemies, type Enemy, type PreparedEnemy } from './enemies.ts';
import { enemyMarks, movingEnemyMarks } from './enemyMarks.ts';
import { moveEnemies } from './enemyMoves.ts';

/** Makes an enemy of a kind ready at a place. @param heading degrees */
export function prepareEnemy(
  { kind: kindId, at, heading = 0 }: { kind: string; at: Place; heading?: number },
  path: Place[],
  preparing: Preparing,
): PreparedEnemy {
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
    ...(definition.fromAbove ? { fromAbove: true as const } : {}),
    ...(HEADED_MOVEMENTS.has(definition.movement) ? { heading: nearestHeadingOf(heading) } : {}),
    ...(definition.movement === 'circle' ? { distance: definition.distance } : {}),
  };
}

/** Share of its radius by which the player's middle must be above an enemy's to have fallen onto it. */
const ABOVE_SHARE = 0.3;

/** Adds one more enemy to those of an attempt. @param active is it on the ground already? */
export function addEnemy(enemies: Enemies, source: PreparedEnemy, active: boolean, { grid }: View): void {
  const [turnedX, turnedY] = HEADING_VECTORS[source.heading ?? 0] as readonly [number, number];
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
    turnedX,
    turnedY,
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

/** Does the player come down onto it, rather than into it from aside? */
const fallsOnto = ({ body, world }: AttemptState, enemy: Enemy): boolean =>
  world.kind.bounce !== undefined && body.vy > 0 && body.y < enemy.y - enemy.radius * ABOVE_SHARE;

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
    const dy = beyond(enemy.y - body.y, body.half);
    const reach = enemy.radius + body.radius;
    const touches = dx * dx + dy * dy < reach * reach;
    if (touches && enemy.source.fromAbove && enemy.health > 0 && fallsOnto(state, enemy)) {
      hurtEnemy(state, enemy, enemy.health);
      state.world.kind.bounce?.(state, state.own);
      wasTouching[i] = false;
      continue;
    }
    if (touches) {
      observed.touching[enemy.kind] = 1;
      if (!wasTouching[i] && enemy.damage > 0) hurtPlayer(state, enemy.damage);
    }
    wasTouching[i] = touches;
  }
}

/** Enemies: they chase the player, patrol, or sit still. */
export const enemy: PieceSort<Extract<Piece, { piece: 'enemy' }>, PreparedEnemy, Enemies> = {
  name: 'enemy',
  subject: 'phase',
  goesOn: 'enemies',
  prepare: (piece, preparing) => prepareEnemy(piece, piece.path ?? [], preparing),
  observe(enemies, seen) {
    for (const { health, kind } of enemies) if (health > 0) countEnemies(seen, kind, 1);
  },
  start(sources, { view }) {
    const enemies: Enemies = { all: [], sweep: [], wasTouching: [], largestRadius: 0 };
    for (const source of sources) addEnemy(enemies, source, true, view);
    return enemies;
  },
  more(all, first, state) {
    const { observed, view } = state;
    for (const source of all.slice(first)) {
      addEnemy(enemiesOf(state), source, true, view);
      if (source.health > 0) countEnemies(observed, source.kind, 1);
    }
  },
  letGo(state, x) {
    const { sweep } = enemiesOf(state);
    for (let i = sweep.length - 1; i >= 0; i--) {
      const one = sweep[i] as Enemy;
      if (one.x >= x) continue;
      sweep.splice(i, 1);
      if (one.active && one.health > 0) countEnemies(state.observed, one.kind, -1);
      one.active = false;
    }
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
      const { heading, liveSight, liveDamage, liveHealth } = one.source;
      if (heading !== undefined) hash = mixFloat(mixFloat(hash, one.turnedX), one.turnedY);
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
